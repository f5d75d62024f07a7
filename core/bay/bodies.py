"""Usual bodies of what makers give no sizes of, across, along and up, in metres (trade)."""

PROJECTOR_BODY = (0.35, 0.35, 0.15)
MONITOR_BODY = (0.15, 0.15, 0.25)
MACHINE_BODY = (0.45, 0.45, 0.75)
LAMP_BODY = (0.30, 0.30, 0.10)
MOUNT_M = 0.10
"""Thickness of what hangs between ceiling and projector."""
SHEET_M = 0.02
"""Thickness that a screen, a net or a panel counts with."""
FRAME_M = 0.05
"""Thickness of a pipe or a post with its padding."""
SIDE_BULGE_M = 0.30
"""Fabric sides bulge outward when a ball is caught (trade)."""
