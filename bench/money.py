"""What money takes: orders, baskets, odds, and all that the Money view asks for."""

from fractions import Fraction
from random import Random

from bench.catalogue import sample_parts
from bench.clock import seconds, times_of
from bench.server import ROOT
from bench.table import tell, tell_times
from core.formats.build_file import read_build_file
from core.formats.report_json.money import money_json
from core.model.build import Slot
from core.model.parts import LaunchMonitor
from core.money.best_basket import best_basket
from core.money.odds import ThreePoint, odds_of
from core.money.order import Item, order_of
from core.quantities import UnitSystem
from core.report import evaluate
from core.report.licences import licences_for, others_with_licences
from core.report.money import USUAL_SCOPE
from core.report.whole_money import whole_money
from tests.core.money.market import DAY, buyer, large_market

BUILD = ROOT / "jungle" / "demo" / "builds" / "boat-shed.json"
REPEATS = 100
LINES = 60


def bench_money() -> None:
    """An order of 40 lines, the best basket of 40 lines in 6 shops, the odds of 60 lines, and the view's own work."""
    needs, offers, shops = large_market()
    by = buyer(tax_share=Fraction(19, 100), rates=(("USD", Fraction(92, 100)),))
    at = shops[0]
    first = {one.part: one for one in offers if one.shop == at.id}
    items = [Item(need.line, first[need.part], need.quantity, need.weight_kg, need.bulky) for need in needs]
    tell_times("delivered price of 40 lines", times_of(lambda _: order_of(at, items, by, at.codes), REPEATS), "20 ms")
    took = seconds(lambda: best_basket(needs, offers, shops, by))
    tell("best basket of 40 lines × 6 shops × 3 offers", f"{took:.2f} s", "1 s")
    dice = Random(LINES)
    guesses = [ThreePoint(*sorted(dice.uniform(1_000, 90_000) for _ in range(3))) for _ in range(LINES)]
    tell_times("odds under the cap of 60 lines", times_of(lambda _: odds_of(guesses).under(2e6), REPEATS), "20 ms")
    file = read_build_file(BUILD.read_text())
    report = evaluate(file.build, file.parts_by_id)

    def viewed(_: int) -> None:
        whole = whole_money(file.build, report, file.parts_by_id, USUAL_SCOPE, DAY)
        money_json(whole, UnitSystem.METRIC)

    tell_times("all of the Money view beside the report, in the core", times_of(viewed, REPEATS), "15 ms")
    parts = sample_parts()
    monitors = [part for part in parts.values() if isinstance(part, LaunchMonitor)]
    took = seconds(lambda: licences_for(file.build, parts))
    others = seconds(lambda: others_with_licences(file.build, parts, Slot.MONITOR, monitors))
    tell(
        "sets of licences, and other monitors with theirs, in the worker",
        f"{took:.2f} s, {others:.2f} s",
        "in the worker",
    )
