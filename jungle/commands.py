"""What commands of `manage.py` have in common."""

from django.core.management.base import BaseCommand


class QuickCommand(BaseCommand):
    """One that begins at once: Django's checks read every endpoint first, which takes as long as all the rest. What
    serves reads them anyway, and so does `make lint`."""

    requires_system_checks: list[str] = []
