"""Whether colors can be read, and told apart: pairings, told-apart sets, findings and their repairs."""
