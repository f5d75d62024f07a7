"""Small things that are forgotten: each follows from chosen parts and methods, and says why.

Importing this package registers all of them.
"""

from core.checks.small_items import around_bay, at_play, signal
from core.checks.small_items.item import SmallItem, objections
from core.checks.small_items.register import SmallItems, close_register

close_register()

__all__ = ["SmallItem", "SmallItems", "around_bay", "at_play", "objections", "signal"]
