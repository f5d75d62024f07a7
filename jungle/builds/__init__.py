"""Builds: who owns them, what was done to them, and doing it."""
