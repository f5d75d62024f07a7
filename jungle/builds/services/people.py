"""How people read and type quantities."""

from django.contrib.auth.models import User

from core.quantities import UnitSystem
from jungle.builds.models import Profile


def units_of(user: User) -> UnitSystem:
    """How `user` reads and types quantities."""
    try:
        return UnitSystem(user.profile.units)
    except Profile.DoesNotExist:
        return UnitSystem.METRIC


def set_units(user: User, units: UnitSystem) -> None:
    """Let `user` read and type quantities in `units`."""
    user.profile, _ = Profile.objects.update_or_create(user=user, defaults={"units": units})
