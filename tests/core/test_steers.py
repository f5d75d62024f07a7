"""Nothing is asked in the brief that steers nothing: each answer is changed, and what it claims to steer changes."""

from datetime import date
from typing import Any
from unittest import TestCase

from core.checks import GRAPH
from core.checks.household import Unsettled
from core.checks.needs import SmallItems
from core.checks.spots import Spots
from core.checks.stages import OptionalPlaces, StageCosts
from core.checks.works import Works
from core.model.brief import Brief
from core.model.build import Build, Extra, HungPart, Slot
from core.model.parts import DataField, PuttingSurface
from core.money.costs import Costs
from core.quantities import UnitSystem
from core.report import Report, evaluate
from core.report.steers import LARGE, steered_by, steers
from tests.core import worlds
from tests.core.worlds import left_hander, player

METRIC = UnitSystem.METRIC
TODAY = date(2026, 11, 25)

EUROS = ({"currency": "EUR", "rate": "1.1"},)
ANSWERS: dict[str, tuple[dict[str, Any], dict[str, Any]]] = {
    "purposes": (
        {"purposes": {}},
        {"purposes": {"full_rounds": 5, "swing_work": 5, "putting": 5, "filming": 5, "family_games": 5, "films": 5}},
    ),
    "players": ({"players": (player(),)}, {"players": (player(), left_hander(height_m=2.0, speed_band="fast"))}),
    "visitors": ({}, {"visitors": True}),
    "stage": ({"stage": "net"}, {"stage": "projected"}),
    "measures_shots": ({}, {"measures_shots": False}),
    "earlier_stages": ({}, {"earlier_stages": ("net",)}),
    "currency": ({}, {"currency": "USD"}),
    "up_front_cap_minor": ({"up_front_cap_minor": 100}, {"up_front_cap_minor": 10**8}),
    "yearly_cap_minor": ({"yearly_cap_minor": 100}, {"yearly_cap_minor": 10**8}),
    "outlet_minor": ({}, {"outlet_minor": 12_000}),
    "horizon_years": ({"horizon_years": 1, "hours_a_week": 10}, {"horizon_years": 20, "hours_a_week": 10}),
    "fee_rise_share": ({"subscriptions": "rather_not"}, {"subscriptions": "rather_not", "fee_rise_share": 0.2}),
    "contingency_share": ({"up_front_cap_minor": 500_000}, {"up_front_cap_minor": 500_000, "contingency_share": 0.9}),
    "tax_share": ({"tax_treatment": "reclaimed"}, {"tax_treatment": "reclaimed", "tax_share": 0.2}),
    "tax_treatment": ({"tax_share": 0.2}, {"tax_share": 0.2, "tax_treatment": "reclaimed"}),
    "valuation": ({"up_front_cap_minor": 300_000}, {"up_front_cap_minor": 300_000, "valuation": "newcomer"}),
    "exchange_rates": (
        {"currency": "USD"},
        {"currency": "USD", "exchange_rates": EUROS},
    ),
    "exchange_fee_share": (
        {"currency": "USD", "exchange_rates": EUROS},
        {"currency": "USD", "exchange_rates": EUROS, "exchange_fee_share": 0.05},
    ),
    "may_drill": ({}, {"may_drill": False}),
    "subscriptions": ({}, {"subscriptions": "rather_not"}),
    "used_is_fine": ({"up_front_cap_minor": 100_000}, {"up_front_cap_minor": 100_000, "used_is_fine": True}),
    "approach": ({}, {"approach": "start_small"}),
    "other_uses": ({}, {"other_uses": ("car",)}),
    "courses_wanted": ({}, {"courses_wanted": ("Low Ferry",)}),
    "conditions": ({}, {"conditions": ({"id": "a", "text": "The car fits in December"},)}),
    "packed_away": ({}, {"packed_away": True}),
    "setup_minutes": ({"packed_away": True, "setup_minutes": 1}, {"packed_away": True, "setup_minutes": 90}),
    "measured_setup_minutes": (
        {"packed_away": True, "setup_minutes": 60},
        {"packed_away": True, "setup_minutes": 60, "measured_setup_minutes": 90},
    ),
    "lines_wanted": ({}, {"lines_wanted": 2160}),
    "rented": ({}, {"rented": True}),
    "may_move": ({}, {"may_move": True}),
    "noise": ({}, {"noise": "quiet"}),
    "looks": ({}, {"looks": "finished"}),
    "hours_a_week": ({"hours_a_week": None}, {"hours_a_week": 10}),
    "playable_by": ({}, {"playable_by": date(2027, 1, 1)}),
    "build_hours_a_week": (
        {"playable_by": date(2027, 1, 1), "build_hours_a_week": 1},
        {"playable_by": date(2027, 1, 1), "build_hours_a_week": 40},
    ),
    "skills": (
        {"playable_by": date(2027, 1, 1), "build_hours_a_week": 6},
        {"playable_by": date(2027, 1, 1), "build_hours_a_week": 6, "skills": ("timber", "ceiling")},
    ),
}


NOT_HERE: dict[str, set[str | type]] = {
    "purposes": {"picture.wish", "title.wished_courses"},
    "subscriptions": {"title.licences"},
    "players": {
        "machine.place",
        "screen.sides",
        "monitor.beside",
        "layout.playing",
        "layout.stowed",
        "room.filming",
        "monitor.interference",
        "mat.flush",
        "monitor.level",
        "layout.modes",
        "room.fragile",
    },
    "visitors": {
        "layout.playing",
        "layout.stowed",
        "layout.modes",
        "room.fragile",
        SmallItems,
        "mat.flush",
        "monitor.level",
    },
    "currency": {"money.movable"},
    "outlet_minor": {Costs},
    "may_drill": {"monitor.drilling", SmallItems},
    "packed_away": {SmallItems, "layout.stowed"},
    "rented": {"monitor.drilling"},
    "skills": {SmallItems},
}
"""What an answer steers, but not in this build: its monitor stands on the floor, its screen has its eyelets, the floor
is the same all over, no outlet is missing, …"""


def build_with(answers: dict[str, Any]) -> Build:
    base = worlds.full_build(room=worlds.full_room(floor_base="timber"))
    brief = Brief.model_validate({**base.brief.model_dump(), **answers})
    owned = HungPart(part=base.chain[Slot.MACHINE].part, owned=True)
    subscribed = HungPart(part=base.chain[Slot.MONITOR].part, plan="full")
    narrow = Extra(id="green", part="green")
    chain = {**base.chain, Slot.MACHINE: owned, Slot.MONITOR: subscribed}
    return base.model_copy(update={"brief": brief, "chain": chain, "extras": (narrow,)})


def said(report: Report) -> dict[str | type, object]:
    """What a report says of each thing that an answer may steer."""
    by_check: dict[str | type, object] = {}
    for id in (check.id for check in GRAPH.checks):
        told = map(report.told, report.evaluation.of_check(id))
        by_check[id] = [(t.verdict, t.headline.text(METRIC), [c.words.text(METRIC) for c in t.cures]) for t in told]
    return by_check | {
        Unsettled: report.evaluation.reading(Unsettled),
        SmallItems: [status.item for status in report.small],
        Costs: (report.costs, report.costs.missing_rates),
        Works: report.works,
        OptionalPlaces: [status.optional for status in report.slots],
        StageCosts: report.stages,
        Spots: report.hitting,
    }


def by_way_of_the_large(field: str) -> set[str | type]:
    """What leans on something large that `field` steers."""
    large: set[type] = {kind for kind in LARGE if (Brief, field) in GRAPH.facts_below(GRAPH.derivations[kind].reads)}
    return {*large} | {check.id for check in GRAPH.checks if not large.isdisjoint(GRAPH.reads_of(check.id))}


class SteersTests(TestCase):
    def test_every_answer_steers_something(self) -> None:
        self.assertEqual(set(ANSWERS), set(Brief.model_fields))
        self.assertEqual([field for field in Brief.model_fields if not steered_by(field)], [])

    def test_every_answer_changes_what_it_steers_and_nothing_else(self) -> None:
        plan = {**worlds.title().plans[0].model_dump(), "features": ("range",)}
        base, full = worlds.radar().plans
        more = full.model_copy(update={"unlocks": (*full.unlocks, DataField.IMPACT_LOCATION)})
        enough = full.model_copy(update={"id": "enough", "name": "Enough", "tier": 1})
        parts = {
            **worlds.full_parts(),
            "computer": worlds.computer(graphics_grade=5),
            "title": worlds.title(plans=(plan,)),
            "enclosure": worlds.enclosure(sides=False),
            "mat": worlds.mat(cushion="hard"),
            "radar": worlds.radar(portable=False, plans=(base, enough, more)),
            "tiles": worlds.tiles(pile_m=0.02),
            "projector": worlds.projector(width_px=1280, height_px=720),
            "green": PuttingSurface(
                id="green", maker="Maker", name="Green", price=worlds.price(50), width_m=0.2, length_m=2.0, pile_m=0.02
            ),
        }
        for field, (one, other) in ANSWERS.items():
            before, after = (said(evaluate(build_with(answers), parts, today=TODAY)) for answers in (one, other))
            changed = {what for what in before if before[what] != after[what]}
            with self.subTest(field=field):
                self.assertEqual({w for w in steered_by(field) if w not in changed}, NOT_HERE.get(field, set()))
                self.assertLessEqual(changed - set(steered_by(field)), by_way_of_the_large(field))

    def test_what_is_steered_is_told_by_its_title(self) -> None:
        self.assertEqual(steers()["may_drill"][0], GRAPH["display.drilling"].title)
