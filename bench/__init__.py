"""Benchmarks: what the aims of speed and size are measured with."""
