"""Nothing is asked in the brief that steers nothing: each answer is changed, and what it claims to steer changes."""

from collections.abc import Callable
from datetime import date
from typing import Any
from unittest import TestCase

from core.checks import GRAPH
from core.model.brief import Brief
from core.model.build import Build, Extra, HungPart, Slot
from core.model.parts import PuttingSurface
from core.quantities import UnitSystem
from core.report import Report, evaluate
from core.report.steers import COSTS, HITTING, PLACES, QUESTIONS, STAGES, STEERS, WORKS, steers
from tests.core import worlds
from tests.core.worlds import left_hander, player

METRIC = UnitSystem.METRIC
TODAY = date(2026, 11, 25)

ANSWERS: dict[str, tuple[dict[str, Any], dict[str, Any]]] = {
    "purposes": (
        {"purposes": {}},
        {"purposes": {"full_rounds": 5, "swing_work": 5, "putting": 5, "filming": 5, "family_games": 5, "films": 5}},
    ),
    "players": ({"players": (player(),)}, {"players": (player(), left_hander(height_m=2.0, speed_band="fast"))}),
    "visitors": ({}, {"visitors": True}),
    "stage": ({"stage": "net"}, {"stage": "projected"}),
    "earlier_stages": ({}, {"earlier_stages": ("net",)}),
    "currency": ({}, {"currency": "USD"}),
    "up_front_cap_minor": ({"up_front_cap_minor": 100}, {"up_front_cap_minor": 10**8}),
    "yearly_cap_minor": ({"yearly_cap_minor": 100}, {"yearly_cap_minor": 10**8}),
    "horizon_years": ({"horizon_years": 1, "hours_a_week": 10}, {"horizon_years": 20, "hours_a_week": 10}),
    "contingency_share": ({"up_front_cap_minor": 500_000}, {"up_front_cap_minor": 500_000, "contingency_share": 0.9}),
    "tax_share": ({"tax_treatment": "reclaimed"}, {"tax_treatment": "reclaimed", "tax_share": 0.2}),
    "tax_treatment": ({"tax_share": 0.2}, {"tax_share": 0.2, "tax_treatment": "reclaimed"}),
    "valuation": ({"up_front_cap_minor": 300_000}, {"up_front_cap_minor": 300_000, "valuation": "newcomer"}),
    "exchange_rates": (
        {"currency": "USD"},
        {"currency": "USD", "exchange_rates": ({"currency": "EUR", "rate": "1.1"},)},
    ),
    "may_drill": ({}, {"may_drill": False}),
    "subscriptions": ({}, {"subscriptions": "rather_not"}),
    "used_is_fine": ({"up_front_cap_minor": 100_000}, {"up_front_cap_minor": 100_000, "used_is_fine": True}),
    "approach": ({}, {"approach": "start_small"}),
    "other_uses": ({}, {"other_uses": ("car",)}),
    "conditions": ({}, {"conditions": ({"id": "a", "text": "The car fits in December"},)}),
    "packed_away": ({}, {"packed_away": True}),
    "setup_minutes": ({"packed_away": True, "setup_minutes": 1}, {"packed_away": True, "setup_minutes": 90}),
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


def build_with(answers: dict[str, Any]) -> Build:
    base = worlds.full_build(room=worlds.full_room(floor_base="timber"))
    brief = Brief.model_validate({**base.brief.model_dump(), **answers})
    owned = HungPart(part=base.chain[Slot.MACHINE].part, owned=True)
    subscribed = HungPart(part=base.chain[Slot.MONITOR].part, plan="full")
    narrow = Extra(id="green", part="green")
    chain = {**base.chain, Slot.MACHINE: owned, Slot.MONITOR: subscribed}
    return base.model_copy(update={"brief": brief, "chain": chain, "extras": (narrow,)})


def told(report: Report, what: str) -> object:
    """What a report says of one thing that an answer may steer."""
    readers: dict[str, Callable[[], object]] = {
        QUESTIONS: lambda: report.questions,
        COSTS: lambda: (report.costs.up_front, report.costs.horizon, report.costs.missing_rates),
        WORKS: lambda: report.works,
        PLACES: lambda: [status.optional for status in report.slots],
        STAGES: lambda: report.stages,
        HITTING: lambda: report.hitting,
    }
    if what in readers:
        return readers[what]()
    return [
        (t.state, t.headline.text(METRIC), t.margin, [change.text(METRIC) for change in t.changes])
        for t in map(report.told, report.verdicts)
        if t.verdict.id == what
    ]


class SteersTests(TestCase):
    def test_every_answer_of_the_brief_has_its_row(self) -> None:
        self.assertEqual(set(STEERS), set(Brief.model_fields))
        self.assertEqual(set(ANSWERS), set(STEERS))

    def test_every_answer_changes_what_it_claims_to_steer(self) -> None:
        plan = {**worlds.title().plans[0].model_dump(), "features": ("range",)}
        parts = {
            **worlds.full_parts(),
            "computer": worlds.computer(graphics_grade=5),
            "title": worlds.title(plans=(plan,)),
            "enclosure": worlds.enclosure(sides=False),
            "mat": worlds.mat(cushion="hard"),
            "radar": worlds.radar(portable=False),
            "tiles": worlds.tiles(pile_m=0.02),
            "projector": worlds.projector(width_px=1280, height_px=720),
            "green": PuttingSurface(
                id="green", maker="Maker", name="Green", price=worlds.price(50), width_m=0.2, length_m=2.0, pile_m=0.02
            ),
        }
        for field, (one, other) in ANSWERS.items():
            before, after = (evaluate(build_with(answers), parts, today=TODAY) for answers in (one, other))
            for what in STEERS[field]:
                if what != "monitor.drilling":
                    with self.subTest(field=field, steers=what):
                        self.assertNotEqual(told(before, what), told(after, what))

    def test_what_is_steered_is_told_by_its_title(self) -> None:
        self.assertEqual(steers()["may_drill"][0], GRAPH["display.drilling"].title)
