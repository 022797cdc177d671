"""From files that were read, as sheets, to a system, or to edits of one."""
