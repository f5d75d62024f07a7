"""manage.py load_prices: a year and a half of sample prices for the local owner, where none were ever seen."""

from django.core.management.base import BaseCommand
from django.utils import timezone

from jungle.builds.services.welcome import local_owner
from jungle.market.adoption import adopt_sample_prices


class Command(BaseCommand):
    """Loads them once."""

    help = __doc__

    def handle(self, *args: object, **options: object) -> None:
        recorded = adopt_sample_prices(local_owner(), timezone.localdate())
        self.stdout.write(f"{recorded.new} sample prices were taken in." if recorded else "Prices are known already.")
