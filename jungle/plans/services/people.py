"""People: the owner in local mode, their catalogue, and how they read quantities."""

from django.contrib.auth.models import User
from django.contrib.auth.signals import user_logged_in
from django.db import transaction
from django.dispatch import receiver

from core.quantities import UnitSystem
from jungle.catalogue.services import adopt_sample_parts
from jungle.plans.models import Profile

OWNER_NAME = "owner"


@transaction.atomic
def ensure_owner() -> User:
    """The one person of the local mode, made on the first visit. Cannot sign in with a password."""
    owner, _ = User.objects.get_or_create(username=OWNER_NAME, defaults={"password": "!"})
    return owner


@receiver(user_logged_in)
def _welcome(sender: type, user: User, **_: object) -> None:
    """Whoever signs in for the first time gets preferences, and the sample parts in an empty catalogue."""
    Profile.objects.get_or_create(user=user)
    if not user.parts.exists():
        adopt_sample_parts(user.pk)


def units_of(user: User) -> UnitSystem:
    """How `user` reads and types quantities."""
    try:
        return UnitSystem(user.profile.units)
    except Profile.DoesNotExist:
        return UnitSystem.METRIC


def set_units(user: User, units: UnitSystem) -> None:
    """Let `user` read and type quantities in `units`."""
    user.profile, _ = Profile.objects.update_or_create(user=user, defaults={"units": units})
