"""Tests. Speed is proved by the bench and not by them: no example is timed.

Examples follow from the test alone, so that the same tests run everywhere; `make endurance` looks for others.
"""

import os

from hypothesis import settings

settings.register_profile("fixed", deadline=None, derandomize=True, database=None)
settings.register_profile("search", deadline=None)
settings.load_profile("search" if os.environ.get("JUNGLE_SEARCH") else "fixed")
