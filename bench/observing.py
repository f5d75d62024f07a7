"""A million observations of prices in a database of its own: a round's write, what sixty lines need, and a table."""

import os
import tempfile
from collections.abc import Sequence
from dataclasses import replace
from datetime import date, timedelta
from itertools import islice
from random import Random

import numpy as np

from bench.clock import seconds, times_of
from bench.table import tell, tell_times
from core.model.shops import Shop
from core.money.amounts import Buyer
from core.money.order import Need
from core.prices.advice import advice_on
from core.report.price_chart import price_chart
from core.report.prices import Asking, LinePrices, line_prices

PARTS, OFFERS_EACH, SEEN_EACH = 500, 10, 200
LINES = 60
TABLE_ROWS = 100_000
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
    from jungle.market.models import Observation, What
    from jungle.market.observing import record
    from jungle.market.price_history import columns_of, read_history, take_history
    from jungle.market.series_days import asked_for
    from jungle.market.terms import store
    from jungle.processes import keep_what_is_loaded

    keep_what_is_loaded()
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
    tell_times(f"two years of days of {LINES} lines in {OFFERS_EACH} shops each", read, "–")

    terms = {"country": "Home", "delivery": [{"fee_minor": 590}, {"fee_minor": 0, "from_minor": 250_00}]}
    known = {shop: Shop.model_validate({"id": shop, "name": shop, **terms}) for shop in shops}
    buyer, labels = Buyer("EUR", TODAY), {f"line/{part}": part for part in parts}
    asking = Asking(buyer, known, TODAY, TODAY + timedelta(weeks=26), {})
    needs = [Need(f"line/{part}", part, 1 + number % 4) for number, part in enumerate(parts[:LINES])]

    def lines_of(some: Sequence[Need]) -> tuple[LinePrices, ...]:
        asked = asked_for(owner, [need.part for need in some], TODAY, READ_DAYS)
        return line_prices(some, labels, asked, asking, lambda part: ())

    view = times_of(lambda _: lines_of(needs), 20)
    tell_times(f"the view of {LINES} needed lines, delivered, with advice", view, "250 ms p95")
    shortly = [
        replace(one, days=np.where(np.arange(READ_DAYS) < READ_DAYS - 70, np.nan, one.days))
        for one in asked_for(owner, parts[:LINES], TODAY, READ_DAYS)
    ]
    others = parts[LINES:]

    def lines_of_short() -> tuple[LinePrices, ...]:
        """Twenty kinds with ten others each."""
        kinds = [asked_for(owner, others[10 * kind : 10 * kind + 10], TODAY, READ_DAYS) for kind in range(20)]
        return line_prices(needs, labels, shortly, asking, lambda part: kinds[parts.index(part) % 20])

    assert all(line.leans_on for line in lines_of_short())
    tell_times(
        "the same where each has ten weeks of its own, and leans on ten others of its kind",
        times_of(lambda _: lines_of_short(), 20),
        "250 ms p95",
    )
    page = times_of(lambda n: price_chart(lines_of(needs[n % LINES : n % LINES + 1])[0], TODAY), 40)
    tell_times("one part's page with its chart", page, "150 ms p95")
    priced = lines_of(needs[:1])[0].days
    tell_times(
        "reservation price of one part", times_of(lambda _: advice_on(priced, TODAY, asking.needed_by), 40), "20 ms"
    )

    rows = (
        f"part-{n % PARTS},shop-{n % 7},{90 + n * 37 % 2000 / 100:.2f},{TODAY - timedelta(days=n % 600)}"
        for n in range(TABLE_ROWS)
    )
    content = "\n".join(["part,shop,price,first_seen", *rows]).encode()
    store(owner, 0, {}, {(What.SHOP, shop.id): shop.model_dump_json() for shop in known.values()}, None)

    def take() -> None:
        table = read_history(content)
        take_history(owner, table, columns_of(table, {}), lambda share, words: True)

    tell(f"a table of {TABLE_ROWS:,} rows taken in, into those", f"{seconds(take):.1f} s", "20 s")


if __name__ == "__main__":
    bench_observing()
