"""The checks of the job. Importing this package registers all of them."""

from core.checks import along, budget, floor, monitor, picture, readings, screen, software, swing, wishes

__all__ = ["along", "budget", "floor", "monitor", "picture", "readings", "screen", "software", "swing", "wishes"]
