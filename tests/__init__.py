"""Tests. Speed is proved by the bench and not by them: no example is timed."""

from hypothesis import settings

settings.register_profile("untimed", deadline=None)
settings.load_profile("untimed")
