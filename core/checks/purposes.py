"""What the purposes ask for besides data: courses, a place for the camera (trade)."""

from dataclasses import dataclass

from core.checks.figures import measured_in_room, met, metres, placed, stated
from core.checks.places import IN_ROOM, on
from core.checks.register import check, derive
from core.checks.verdict import Basis, Input, State, Verdict
from core.checks.weights import lacking, wanted
from core.model.brief import Brief, Handedness, Purpose
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.kit import Beside
from core.model.parts import CoursePack, Title, TitlePlan
from core.model.room import Layout, Room
from core.quantities import say

CAMERA_FREE_M = 2.0
"""From the ball line to a camera that films a golfer from the front (trade)."""


@dataclass(frozen=True)
class WantsCourses:
    """Whole rounds are played here."""


@dataclass(frozen=True)
class WantsFilming:
    """Swings are filmed."""


@derive
def wants_courses(brief: Brief) -> WantsCourses | None:
    """`None` below the weight from which it decides parts."""
    return WantsCourses() if wanted(brief, Purpose.FULL_ROUNDS) else None


@derive
def wants_filming(brief: Brief) -> WantsFilming | None:
    """`None` below the weight from which it decides the room."""
    return WantsFilming() if wanted(brief, Purpose.FILMING) else None


@check("title.courses", title="Courses for whole rounds", place=on(Slot.TITLE))
def courses(brief: Brief, title: Title, plan: TitlePlan, wants: WantsCourses, packs: Beside[CoursePack]) -> Verdict:
    """For whole rounds the title's plan comes with courses, or packs add some; how many is stated by their makers.

    None at all is tight, and ruled out where whole rounds are a must.
    """
    own = known(plan.courses, title, f"number of courses in plan {plan.name}")
    added = [
        (pack.name, known(pack.courses, pack, "number of courses")) for pack in packs if title.id in (pack.titles or ())
    ]
    count = own + sum(courses for _, courses in added)
    state = State.CLEAR if count else lacking(brief, Purpose.FULL_ROUNDS)
    return Verdict(
        state,
        say("Plan {plan} and packs come with {count} courses", plan=plan.name, count=str(count))
        if added
        else say("Plan {plan} comes with {count} courses", plan=plan.name, count=str(count)),
        measured=str(count),
        required="1 or more",
        margin=met(count > 0),
        basis=Basis.SPEC,
        formula="courses in the plan + courses in packs made for the title, where full rounds weigh 3 or more",
        inputs=lambda: (
            stated(f"Courses in plan {plan.name}", str(own)),
            *(stated(f"Courses in {name}", str(courses)) for name, courses in added),
        ),
        changes=()
        if count
        else (say("Choose a plan with courses, a pack that adds some, or weigh full rounds less."),),
    )


@check("room.filming", title="Place for a camera", place=IN_ROOM)
def filming(brief: Brief, room: Room, layout: Layout, wants: WantsFilming) -> Verdict:
    """To film a swing from the front there are 2.0 m from the ball line to the wall that the player faces.

    Less is tight, since one may film from behind; where filming is a must, the view from the front is.
    """
    hands = {player.handedness for player in known_players(brief)}
    free = {Handedness.RIGHT: room.width_m - layout.ball_x_m, Handedness.LEFT: layout.ball_x_m}
    free_m = min(free[hand] for hand in hands)
    margin_m = free_m - CAMERA_FREE_M
    state = State.CLEAR if margin_m >= 0 else lacking(brief, Purpose.FILMING)
    return Verdict(
        state,
        say("{free} before the player, a camera wants {least}", free=metres(free_m), least=metres(CAMERA_FREE_M)),
        measured=metres(free_m),
        required=metres(CAMERA_FREE_M),
        margin=metres(margin_m),
        formula="ball line to the wall the player faces − 2.0 m, where filming weighs 3 or more",
        inputs=lambda: (
            measured_in_room(room, "width_m", "Width"),
            placed("Ball to left wall", layout.ball_x_m),
            Input("Hands", ", ".join(sorted(hands)), Basis.MEASURED),
        ),
        changes=() if state is State.CLEAR else (say("Film from behind, or with a wide lens."),),
    )
