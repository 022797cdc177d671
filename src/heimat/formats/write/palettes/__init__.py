"""Writers of palettes: the open forms of general charting libraries, one file each."""
