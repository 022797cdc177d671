"""The made-up customer: Brinemark, a ferry line, and Merrow Light, a museum in a lighthouse."""
