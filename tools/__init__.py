"""Tools around the application: a browser, a running stack, measurements, pictures."""
