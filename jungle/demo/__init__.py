"""The sample world: made-up makers, their parts, and builds to look at."""
