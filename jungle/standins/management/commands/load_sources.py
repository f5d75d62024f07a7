"""manage.py load_sources: have the sample shops read once a day, where nothing was ever read."""

from django.conf import settings
from django.core.management.base import BaseCommand

from jungle.builds.services.welcome import local_owner
from jungle.standins.adoption import adopt_sample_sources


class Command(BaseCommand):
    """Adds them once, and follows them where they stand at other ports."""

    help = __doc__

    def handle(self, *args: object, **options: object) -> None:
        adopt_sample_sources(local_owner(), settings.STANDINS_PORT)
