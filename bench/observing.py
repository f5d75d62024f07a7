"""A million observations of prices in a database of its own: a round's write, what sixty lines need, and a table."""

import os
import tempfile
from datetime import date, timedelta
from itertools import islice
from random import Random

from bench.clock import seconds, times_of
from bench.table import tell, tell_times

PARTS, OFFERS_EACH, SEEN_EACH = 500, 10, 200
LINES = 60
READ_DAYS = 730
TODAY = date(2026, 11, 30)


def bench_observing() -> None:
    """Run by `python -m bench.observing`: Django is set up on a folder that is thrown away."""
    os.environ["DJANGO_SETTINGS_MODULE"] = "jungle.settings"
    with tempfile.TemporaryDirectory() as folder:
        os.environ["JUNGLE_DATA_DIR"] = folder
        import django

        django.setup()
        _measure()


def _measure() -> None:
    from django.contrib.auth.models import User
    from django.core.management import call_command

    from core.model.observation import Look
    from jungle.market.models import Observation
    from jungle.market.observing import asked_for, record

    call_command("migrate", verbosity=0)
    owner = User.objects.create_user("bench").pk
    dice, shops = Random(15), [f"shop-{number}" for number in range(OFFERS_EACH)]

    def look(part: str, shop: str, day: date) -> Look:
        price = {"minor": dice.randrange(90_00, 110_00)}
        return Look.model_validate({"part": part, "shop": shop, "price": price, "day": day})

    parts = [f"part-{number}" for number in range(PARTS)]
    days = [TODAY - timedelta(days=3 * number + 3) for number in range(SEEN_EACH)]
    for start in range(0, PARTS, 50):
        some = parts[start : start + 50]
        record(owner, (look(part, shop, day) for part in some for shop in shops for day in days))
    tell("observations in the database", f"{Observation.objects.count():,}", "1,000,000")

    def round_of(number: int) -> None:
        day = TODAY + timedelta(days=number)
        pairs = ((part, shop) for part in parts for shop in shops)
        record(owner, [look(part, shop, day) for part, shop in islice(pairs, 600)])

    tell("writing a round of 600 looks", f"{seconds(lambda: round_of(1)):.2f} s", "2 s")
    read = times_of(lambda _: asked_for(owner, parts[:LINES], TODAY, READ_DAYS), 20)
    tell_times(f"two years of days of {LINES} lines in {OFFERS_EACH} shops each", read, "within 250 ms p95")


if __name__ == "__main__":
    bench_observing()
