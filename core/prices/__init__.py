"""Prices over time: what was seen, what is usual, whether to buy or to wait, and how good that advice is."""
