"""Cures that say how much, over random builds: whoever goes by what is told gets what was said."""

from collections.abc import Callable, Iterator, Mapping
from typing import Any, NamedTuple
from unittest import TestCase

from core.checks.evaluation import Evaluation
from core.checks.limits import State
from core.checks.verdict import Verdict
from core.contents.growing import Measurement, grown
from core.geometry.shadow import Lens
from core.model.build import Build, Slot
from core.model.clubs import Club
from core.model.parts import Part
from core.model.things import FixedTo, Stored, WhilePlaying
from core.quantities import Figure, Quantity, Sentence, Unit
from core.report.evaluation_of import evaluation_of
from tests.core.matrix.case import TODAY
from tests.core.random_builds import furnished_build, sample_parts, seeds

BUILDS = 250
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

    def with_stored_moved(self) -> "Case":
        axis, sign = {"right": (0, 1), "left": (0, -1), "back": (1, 1), "toward the screen": (1, -1)}[self.said("way")]

        def moved(stored: Stored) -> Stored:
            playing = self.verdict.id == "layout.playing" and stored.while_playing is WhilePlaying.MOVED
            at = list(stored.playing_at or ()) if playing else [stored.x_m, stored.y_m]
            at[axis] += sign * self.by("by")
            fields = ("play_x_m", "play_y_m") if playing else ("x_m", "y_m")
            return stored.model_copy(update=dict(zip(fields, at, strict=True)))

        return self.in_room(
            stored=tuple(
                moved(stored) if stored.name == self.said("thing") else stored for stored in self.build.room.stored
            )
        )

    def in_room(self, **changes: Any) -> "Case":
        return self._replace(build=self.build.model_copy(update={"room": _changed(self.build.room, changes)}))

    def larger(self, measurement: Measurement, more_m: float) -> "Case":
        return self._replace(build=self.build.model_copy(update={"room": grown(self.build.room, measurement, more_m)}))

    def with_part(self, slot: Slot, **changes: float) -> "Case":
        """With so much more, or less, of facts of what hangs there."""
        part = self.parts[self.build.chain[slot].part]
        facts = {field: (getattr(part, field) or 0.0) + by for field, by in changes.items()}
        return self._replace(parts={**self.parts, part.id: part.model_copy(update=facts)})

    def with_shorter_club(self) -> "Case":
        players = tuple(
            player.model_copy(update={"longest_club": next(club for club in Club if club == self.said("club"))})
            if player.id == self.verdict.subject_id
            else player
            for player in self.build.brief.players
        )
        return self._replace(
            build=self.build.model_copy(update={"brief": _changed(self.build.brief, {"players": players})})
        )

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
    return case.in_room(
        things=tuple(_changed(thing, {"z_m": thing.z_m + case.by("more")}) if lift else thing for thing, lift in things)
    )


def _underlay(case: Case) -> Case:
    slot = Slot.FLOOR if case.said("lower") == "floor" else Slot.MAT
    return case.with_part(slot, thickness_m=case.by("step"))


def _midway(case: Case, field: str, low: str, high: str) -> Case:
    return case.placed(**{field: (case.by(low) + case.by(high)) / 2})


def _further(case: Case, sign: int) -> Case:
    offset = case.verdict.deciding
    assert offset is not None
    lens = case.judged().reading(Lens)
    assert lens is not None
    return case.placed(lens_distance_m=lens.distance_m + sign * case.by("by"))


CARRIED_OUT: Mapping[str, Callable[[Case], Case]] = {
    "Move the ball {across} to the {side} and {along} {way}.": lambda case: case.moved(
        (case.said("side"), case.by("across")), (case.said("way"), case.by("along"))
    ),
    "Move the ball {across} to the {side}.": lambda case: case.moved((case.said("side"), case.by("across"))),
    "Move the ball {along} {way}.": lambda case: case.moved((case.said("way"), case.by("along"))),
    "Move the ball {back} back, out of the box.": lambda case: case.moved(("back", case.by("back"))),
    "Move the ball back {more}.": lambda case: case.moved(("back", case.by("more"))),
    "Move the ball {more} toward the screen.": lambda case: case.moved(("toward the screen", case.by("more"))),
    "Move the ball {shift} toward the screen.": lambda case: case.moved(("toward the screen", case.by("shift"))),
    "Move the ball {more} toward the screen, the monitor {near} behind it, or choose one that stands nearer.": (
        lambda case: case.moved(("toward the screen", case.by("more"))).placed(monitor_distance_m=case.by("near"))
    ),
    "Move the ball {more} from that wall, the monitor {near} beside it.": lambda case: case.moved(
        (_free_side(case), case.by("more"))
    ).placed(monitor_distance_m=case.by("near")),
    "Put the monitor between {near} and {far} from the ball.": lambda case: _midway(
        case, "monitor_distance_m", "near", "far"
    ),
    "Put the monitor {near} from the ball.": lambda case: case.placed(monitor_distance_m=case.by("near")),
    "Move {thing} {by} {way}: then it is free.": lambda case: case.with_stored_moved(),
    "Move the bay {more} to the {side}.": lambda case: case.with_bay_moved(),
    "Move the bay {more} to the {side}, and choose one at least {high} less high.": lambda case: _smaller(
        case.with_bay_moved(), wide=False, high=True
    ),
    "Move the ball {more} to the {side}.": lambda case: case.moved((case.said("side"), case.by("more"))),
    "Move the ball {shift} to the {away}.": lambda case: case.moved((case.said("away"), case.by("shift"))),
    "Move the screen {more} into the room.": lambda case: case.placed(
        screen_y_m=case.build.layout.screen_y_m + case.by("more")
    ),
    "With {foam} of foam on the wall, {least} is enough.": lambda case: case.in_room(wall_foam_m=case.by("foam")),
    "{more} more height, or a floor that much lower, makes it clear.": lambda case: case.larger(
        Measurement.CEILING, case.by("more")
    ),
    "Needs {more} more height, or another kind of monitor.": lambda case: case.larger(
        Measurement.CEILING, case.by("more")
    ),
    "{more} more width makes it clear.": _wider,
    "Hang the lens between {low} and {high}.": lambda case: _midway(case, "lens_height_m", "low", "high"),
    "Hang it between {near} and {far} from the screen.": lambda case: _midway(case, "lens_distance_m", "near", "far"),
    "Hang it {near} to {far} from the screen: it just fits.": lambda case: _midway(
        case, "lens_distance_m", "near", "far"
    ),
    "Lower the picture by {less}, with the lens {high} up, or choose a projector with more vertical shift.": (
        lambda case: case.placed(
            screen_bottom_m=case.build.layout.screen_bottom_m - case.by("less"), lens_height_m=case.by("high")
        )
    ),
    "Hang the projector {by} nearer to the screen, if its throw allows.": lambda case: _further(case, -1),
    "Hang the projector {by} further from the screen, if its throw allows.": lambda case: _further(case, +1),
    "Hang the lens nearer than the golfer, under {s} from the screen.": lambda case: case.placed(
        lens_distance_m=case.by("s") - 0.01
    ),
    "Put it on a pad {more} thick.": lambda case: case.placed(monitor_pad_m=case.by("more")),
    "Lower the floor by {more}.": _lifted,
    "Raise the mat by {more}, and take its pad away.": lambda case: case.placed(monitor_pad_m=0.0).with_part(
        Slot.MAT, thickness_m=case.by("more")
    ),
    "Lower its pad by {less}, or raise the mat.": lambda case: case.placed(
        monitor_pad_m=case.build.layout.monitor_pad_m - case.by("less")
    ),
    "Put {step} of underlay under the {lower}.": _underlay,
    "A {club} at the longest leaves {spare}.": Case.with_shorter_club,
    "Choose one at least {wide} less wide.": lambda case: _smaller(case, wide=True, high=False),
    "Choose one at least {high} less high.": lambda case: _smaller(case, wide=False, high=True),
    "Choose one at least {wide} less wide and {high} less high.": lambda case: _smaller(case, wide=True, high=True),
    "Choose an enclosure {more} larger inside, or a smaller screen.": lambda case: case.with_part(
        Slot.ENCLOSURE, inner_width_m=case.by("more"), inner_height_m=case.by("more")
    ),
}
"""By the words of a cure: what is done to go by it."""
NOT_BLOCKED = frozenset(
    {
        "With {foam} of foam on the wall, {least} is enough.",
        "Hang it {near} to {far} from the screen: it just fits.",
    }
)
"""What is enough, and no more: tight will do."""
FREES = frozenset({"Move {thing} {by} {way}: then it is free."})
"""Something else may still be in the way of something else."""
NOT_A_MOVE = frozenset(
    {
        "A fixed lead of the right rating does up to {most}; never chain leads.",
        "A television {least} wide or wider does.",
        "Choose a mount for a drop of {drop}.",
        "Choose {stock}, {kind}.",
        "Hang it on a drop rod of {more} or more.",
        "Move {thing} {more} away, or remove it.",
        "The picture's middle is {aim} to the {side} of the ball line: shift the aim in the title by that, "
        "{offset} on the screen.",
    }
)
"""Lengths of what is bought, which the limits of the need judge, and what no record of a build holds."""
RARE = frozenset(
    {
        "Hang it {near} to {far} from the screen: it just fits.",
        "Move the ball {more} from that wall, the monitor {near} beside it.",
        "Put the monitor {near} from the ball.",
    }
)
"""Not every search comes upon them: they are carried out by hand in the tests of their checks."""


def _free_side(case: Case) -> str:
    """The monitor stands before the player: off the wall that it is near to."""
    hand = next(player.handedness for player in case.build.brief.players if player.id == case.verdict.subject_id)
    return "left" if hand == "right" else "right"


def _smaller(case: Case, *, wide: bool, high: bool) -> Case:
    slot = Slot.ENCLOSURE if case.verdict.id == "enclosure.room" else Slot.SCREEN
    outer = "outer_" if slot is Slot.ENCLOSURE else ""
    less = {f"{outer}width_m": -case.by("wide")} if wide else {}
    return case.with_part(slot, **less, **({f"{outer}height_m": -case.by("high")} if high else {}))


def cures_of(seed: int) -> Iterator[tuple[Case, Sentence]]:
    build = furnished_build(seed)
    found = evaluation_of(build, sample_parts(), today=TODAY)
    for verdict in found.verdicts:
        for cure in found.told(verdict).changes:
            yield Case(build, sample_parts(), verdict, dict(cure.figures)), cure


class CureTests(TestCase):
    def test_a_cure_that_says_how_much_does_what_it_says(self) -> None:
        tried: set[str] = set()
        for seed in seeds(BUILDS):
            for case, cure in cures_of(seed):
                carry_out = CARRIED_OUT.get(cure.template)
                if carry_out is None:
                    says_how_far = any(isinstance(f, Quantity) and f.unit is Unit.METRE for _, f in cure.figures)
                    self.assertTrue(not says_how_far or cure.template in NOT_A_MOVE, cure.template)
                    continue
                tried.add(cure.template)
                there = carry_out(case)
                after = there.judged().by_key[case.verdict.key]
                wanted = {State.CLEAR, State.TIGHT} if cure.template in NOT_BLOCKED else {State.CLEAR}
                with self.subTest(seed=seed, check=case.verdict.key, cure=cure.template):
                    self.assertTrue(there.is_inside(), there.build.layout)
                    if cure.template in FREES:
                        told = [given.name for given in there.judged().told(after).inputs()]
                        self.assertFalse(any(case.said("thing") in name and " and " in name for name in told), told)
                    else:
                        self.assertIn(after.state, wanted, (case.figures, after.limits))
        self.assertLessEqual(set(CARRIED_OUT) - tried, RARE, "none of these came up")
