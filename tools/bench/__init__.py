"""Measurements: medians, p95 and ratios against a general library in the same run."""
