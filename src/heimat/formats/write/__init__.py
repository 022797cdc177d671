"""Writers: a publication and a version to the bytes of a file."""
