"""Every tolerance of computing, each with its reason. What people are left in comfort is a rule's own, and not here."""

ROUNDING = 1e-9
"""Numbers this near a threshold have reached it: 3.00 − 2.60 is 0.40 to a person, not 0.3999…"""
STORED_DECIMALS = 4
"""Lengths are kept to 0.1 mm: finer than a tape measure, and exact through a file and back."""
TOLD_DECIMALS_M = 3
"""Computed lengths are told to the millimetre; more would claim what no tape can show."""
TOUCHING_M = 0.001
"""Things that reach into each other by no more than this only touch: nobody measures a room closer."""
IN_REACH_M = 0.02
"""A swing that comes so near to a box is looked at again, exactly: the coarse search misses less than this."""
OUTLINE_M = 0.001
"""What an outline through samples may miss of a region; it is added to the margin, so that outside is safe."""
SAME_SPOT_M = 0.005
"""Two spots this near are one to a person who puts a ball there."""
LEAST_MOVE_M = 0.001
"""A shorter move is none."""
