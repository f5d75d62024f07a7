"""Whoever comes for the first time finds the sample parts in their catalogue."""

from django.contrib.auth.models import User
from django.contrib.auth.signals import user_logged_in
from django.dispatch import receiver

from jungle.catalogue.models import Entry
from jungle.plans.models import Profile
from jungle.plans.services.parts import adopt_samples


@receiver(user_logged_in)
def welcome(sender: type, user: User, **_: object) -> None:
    """Preferences, and the sample parts where the catalogue is empty."""
    if not Profile.objects.filter(user=user).exists():
        Profile.objects.get_or_create(user=user)
    if not Entry.objects.visible_to(user.pk).exists():
        adopt_samples(user)
