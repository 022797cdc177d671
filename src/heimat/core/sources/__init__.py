"""Relations of colors: harmony, even sets, mixing, status. Arithmetic that knows no document."""
