"""Whether the core's tests see small faults: 200 of them, each tried against the tests that reach its line."""
