"""manage.py load_prices: a year and a half of sample prices for the local owner, where none were seen, and watches."""

from django.core.management.base import BaseCommand
from django.utils import timezone

from jungle.builds.services.welcome import local_owner
from jungle.demo.watches import adopt_sample_watches
from jungle.market.adoption import adopt_sample_prices


class Command(BaseCommand):
    """Loads them once."""

    help = __doc__

    def handle(self, *args: object, **options: object) -> None:
        owner = local_owner()
        recorded = adopt_sample_prices(owner, timezone.localdate())
        if recorded:
            adopt_sample_watches(owner)
        self.stdout.write(f"{recorded.new} sample prices were taken in." if recorded else "Prices are known already.")
