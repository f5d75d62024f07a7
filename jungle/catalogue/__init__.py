"""Parts: every owner's own catalogue of spec sheets."""
