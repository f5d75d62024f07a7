"""People: the owner in local mode, and how everybody reads quantities."""

from django.contrib.auth.models import User

from core.quantities import UnitSystem
from jungle.plans.models import Profile

OWNER_NAME = "owner"


def local_owner() -> User:
    """The one person of the local mode, made on the first visit. Cannot sign in with a password."""
    owner = User.objects.select_related("profile").filter(username=OWNER_NAME).first()
    if owner is None:
        owner, _ = User.objects.get_or_create(username=OWNER_NAME, defaults={"password": "!"})
    return owner


def units_of(user: User) -> UnitSystem:
    """How `user` reads and types quantities."""
    try:
        return UnitSystem(user.profile.units)
    except Profile.DoesNotExist:
        return UnitSystem.METRIC


def set_units(user: User, units: UnitSystem) -> None:
    """Let `user` read and type quantities in `units`."""
    user.profile, _ = Profile.objects.update_or_create(user=user, defaults={"units": units})
