"""Whoever comes for the first time finds preferences, and the sample parts and shops."""

from django.contrib.auth.models import User
from django.contrib.auth.signals import user_logged_in
from django.dispatch import receiver

from jungle.builds.models import Profile
from jungle.builds.services.parts import adopt_samples
from jungle.catalogue.models import Entry
from jungle.market.adoption import adopt_sample_shops

OWNER_NAME = "owner"


def local_owner() -> User:
    """The one person of the local mode, made on the first visit. Cannot sign in with a password."""
    owner = User.objects.select_related("profile").filter(username=OWNER_NAME).first()
    if owner is None:
        owner, _ = User.objects.get_or_create(username=OWNER_NAME, defaults={"password": "!"})
        welcome(owner)
    return owner


def welcome(person: User) -> None:
    """Preferences, the sample parts where the catalogue is empty, and the sample shops where none were ever known."""
    Profile.objects.get_or_create(user=person)
    if not Entry.objects.visible_to(person.pk).exists():
        adopt_samples(person)
    adopt_sample_shops(person)


@receiver(user_logged_in)
def _signed_in(sender: type, user: User, **_: object) -> None:
    welcome(user)
