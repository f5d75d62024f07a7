"""Cures that say how much, over random builds: whoever goes by what is told gets what was said."""

from collections.abc import Callable, Iterator, Mapping
from typing import Any, NamedTuple
from unittest import TestCase

from core.checks.evaluation import Evaluation
from core.checks.verdict import Cure, Verdict
from core.contents.growing import Measurement, grown
from core.model.build import Build, Extra, Slot
from core.model.parts import Part, SideProtection
from core.model.things import FixedTo
from core.quantities import Figure, Quantity, Unit
from core.report.evaluation_of import evaluation_of
from tests.core.matrix.case import TODAY, extra
from tests.core.random_builds import furnished_build, sample_parts, seeds

BUILDS = 120
SIDES = {"right": ("ball_x_m", 1), "left": ("ball_x_m", -1)}
WAYS = {**SIDES, "back": ("ball_y_m", 1), "toward the screen": ("ball_y_m", -1)}


class Case(NamedTuple):
    """A cure in its build: what was told, as it is read."""

    build: Build
    parts: Mapping[str, Part]
    verdict: Verdict
    figures: Mapping[str, Figure]

    def by(self, name: str) -> float:
        """A figure as somebody reads it, to the millimetre."""
        figure = self.figures[name]
        assert isinstance(figure, Quantity)
        return round(figure.value, 3)

    def said(self, name: str) -> str:
        return str(self.figures[name])

    def placed(self, **changes: float) -> "Case":
        return self._replace(build=self.build.model_copy(update={"layout": _changed(self.build.layout, changes)}))

    def moved(self, *ways: tuple[str, float]) -> "Case":
        fields = ((*WAYS[way], by) for way, by in ways)
        return self.placed(**{field: getattr(self.build.layout, field) + sign * by for field, sign, by in fields})

    def with_bay_moved(self) -> "Case":
        sign = 1 if self.said("side") == "right" else -1
        return self.placed(screen_x_m=self.build.layout.bay_middle_m(self.build.room) + sign * self.by("more"))

    def in_room(self, **changes: Any) -> "Case":
        return self._replace(build=self.build.model_copy(update={"room": _changed(self.build.room, changes)}))

    def larger(self, measurement: Measurement, more_m: float) -> "Case":
        return self._replace(build=self.build.model_copy(update={"room": grown(self.build.room, measurement, more_m)}))

    def with_part(self, slot: Slot, **changes: float) -> "Case":
        """With so much more, or less, of facts of what hangs there."""
        part = self.parts[self.build.chain[slot].part]
        facts = {field: (getattr(part, field) or 0.0) + by for field, by in changes.items()}
        return self._replace(parts={**self.parts, part.id: part.model_copy(update=facts)})

    def judged(self) -> Evaluation:
        return evaluation_of(self.build, self.parts, today=TODAY)

    def is_inside(self) -> bool:
        """What was moved is where somebody can put it."""
        layout, room = self.build.layout, self.build.room
        across = 0 <= layout.ball_x_m <= room.width_m
        along = 0 <= layout.screen_y_m <= layout.ball_y_m <= room.length_m
        return across and along and layout.screen_bottom_m >= 0 and layout.monitor_pad_m >= 0


def _changed(record: Any, changes: Mapping[str, Any]) -> Any:
    return record.model_copy(update=dict(changes))


def _wider(case: Case) -> Case:
    """The walls stand further from the ball by as much on either side, whichever of them is near."""
    more_m = case.by("more")
    return case.larger(Measurement.WIDTH, 2 * more_m).moved(("right", more_m))


def _lifted(case: Case) -> Case:
    """Everything is so much higher over a lower floor."""
    case = case.larger(Measurement.CEILING, case.by("more"))
    lifted = (thing.fixed_to is not FixedTo.CEILING for thing in case.build.room.things)
    things = zip(case.build.room.things, lifted, strict=True)
    openings = (_changed(opening, {"sill_m": opening.sill_m + case.by("more")}) for opening in case.build.room.openings)
    return case.in_room(
        openings=tuple(openings),
        things=tuple(
            _changed(thing, {"z_m": thing.z_m + case.by("more")}) if lift else thing for thing, lift in things
        ),
    )


def _underlay(case: Case) -> Case:
    """Under the strip, or as a layer of its own wherever one stands: the strip is let into that too."""
    if case.said("lower") != "floor":
        return case.with_part(Slot.MAT, thickness_m=case.by("step"))
    underlay = extra("floor_tiles", "Underlay", thickness_m=case.by("step"))
    layer = Extra(id="told", part=underlay.id, laid=True)
    build = case.build.model_copy(update={"extras": (*case.build.extras, layer)})
    return case._replace(build=build, parts={**case.parts, underlay.id: underlay})


def _netted(case: Case) -> Case:
    """Two nets of that size in place of whatever hung there."""
    sizes = {"width_m": case.by("length"), "height_m": case.by("height")}
    net = extra("side_protection", "Told", roof=False, **sizes)
    nets = {id for id, part in case.parts.items() if isinstance(part, SideProtection)}
    others = tuple(extra for extra in case.build.extras if extra.part not in nets)
    items = {id: small for id, small in case.build.small_items.items() if small.part not in nets}
    hung = (*others, Extra(id="told", part=net.id, quantity=2))
    build = case.build.model_copy(update={"extras": hung, "small_items": items})
    return case._replace(build=build, parts={**case.parts, net.id: net})


CARRIED_OUT: Mapping[str, Callable[[Case], Case]] = {
    "Move the bay {more} to the {side}, and choose one at least {high} less high.": lambda case: _smaller(
        case.with_bay_moved(), wide=False, high=True
    ),
    "{more} more height, or a floor that much lower, makes it clear.": lambda case: case.larger(
        Measurement.CEILING, case.by("more")
    ),
    "Needs {more} more height, or another kind of monitor.": lambda case: case.larger(
        Measurement.CEILING, case.by("more")
    ),
    "{more} more width makes it clear.": _wider,
    "Lower the floor by {more}.": _lifted,
    "Hang netting {length} long and {height} high on each open side.": _netted,
    "Raise the mat by {more}, and take its pad away.": lambda case: case.placed(monitor_pad_m=0.0).with_part(
        Slot.MAT, thickness_m=case.by("more")
    ),
    "Choose a covering and a strip that are equally thick, or {step} more under the {lower}.": _underlay,
    "Choose one at least {wide} less wide.": lambda case: _smaller(case, wide=True, high=False),
    "Choose one at least {high} less high.": lambda case: _smaller(case, wide=False, high=True),
    "Choose one at least {wide} less wide and {high} less high.": lambda case: _smaller(case, wide=True, high=True),
}
"""By the words of a cure that no press carries out: what is done to go by it."""
FREES = frozenset({"Move {thing} {by} {way}: then it is free."})
"""Something else may still be in the way of something else."""
NOT_A_MOVE = frozenset(
    {
        "A fixed lead of the right rating does up to {most}; never chain leads.",
        "A television {least} wide or wider does.",
        "Choose a mount for a drop of {drop}.",
        "Choose {stock}, {kind}.",
        "Move {thing} {more} away, or remove it.",
        "The picture's middle is {aim} to the {side} of the ball line: shift the aim in the software by that, "
        "{offset} on the screen.",
    }
)
"""Lengths of what is bought, which the limits of the need judge, and what no record of a build holds."""


def _smaller(case: Case, *, wide: bool, high: bool) -> Case:
    slot = Slot.ENCLOSURE if case.verdict.id == "enclosure.room" else Slot.SCREEN
    outer = "outer_" if slot is Slot.ENCLOSURE else ""
    less = {f"{outer}width_m": -case.by("wide")} if wide else {}
    return case.with_part(slot, **less, **({f"{outer}height_m": -case.by("high")} if high else {}))


def cures_of(seed: int) -> Iterator[tuple[Case, Cure]]:
    build = furnished_build(seed)
    found = evaluation_of(build, sample_parts(), today=TODAY)
    for verdict in found.verdicts:
        for cure in found.told(verdict).cures:
            yield Case(build, sample_parts(), verdict, dict(cure.words.figures)), cure


class CureTests(TestCase):
    def test_a_cure_does_what_it_says(self) -> None:
        """What a press does, and what a person has to do who is told how much."""
        tried: set[str] = set()
        for seed in seeds(BUILDS):
            for case, cure in cures_of(seed):
                words = cure.words.template
                if cure.act is not None:
                    there = case._replace(build=cure.act(case.build))
                    Build.model_validate(there.build.model_dump())
                elif words in CARRIED_OUT:
                    there = CARRIED_OUT[words](case)
                    tried.add(words)
                else:
                    figures = case.figures.values()
                    says_how_far = any(isinstance(f, Quantity) and f.unit is Unit.METRE for f in figures)
                    self.assertTrue(not says_how_far or words in NOT_A_MOVE, words)
                    continue
                with self.subTest(seed=seed, check=case.verdict.key, cure=words):
                    self.assertTrue(there.is_inside(), there.build.layout)
                    self.assertNotEqual((there.build, there.parts), (case.build, case.parts))
                    after = there.judged().by_key.get(case.verdict.key)
                    if words in FREES:
                        told = [given.name for given in there.judged().told(after).inputs()] if after else []
                        self.assertFalse(any(case.said("thing") in name and " and " in name for name in told), told)
                    elif cure.promise is not None and after is not None:
                        self.assertLessEqual(after.state.rank, cure.promise.rank, (case.figures, after.limits))
        self.assertEqual(set(CARRIED_OUT) - tried, set(), "none of these came up")
