"""What the purposes ask for besides data: courses, a place for the camera (trade)."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.asks import ask_at_least, ask_equal
from core.checks.figures import measured_in_room, metres, placed_input, stated_input
from core.checks.further import TitlesHeard
from core.checks.limits import at_least
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import IN_ROOM, on
from core.checks.readings import BallPlaces
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.checks.weights import is_wanted, tolerance_of
from core.model.brief import Brief, Handedness, Purpose
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.kit import Beside
from core.model.parts import Camera, CoursePack, Stand, Title, TitlePlan
from core.model.room import Room
from core.quantities import Unit, say

CAMERA_FREE_M = 2.0
"""From the ball line to a camera that films a golfer from the front (trade)."""
PICTURES_A_SECOND = 100
"""Of a camera from which a swing can be read (trade)."""


@dataclass(frozen=True)
class WantsCourses:
    """Whole rounds are played here."""


@dataclass(frozen=True)
class WantsFilming:
    """Swings are filmed."""


class SwingCamera(Need):
    """A camera that films swings."""

    item = ItemKind("camera", "Camera", near=Slot.MACHINE, kind=Camera, asks=("pictures_a_second",))


class Tripod(Need):
    """What the camera stands on."""

    item = ItemKind("camera-stand", "Tripod", near=Slot.MACHINE, kind=Stand, asks=("holds",))


@derive
def wants_courses(brief: Annotated[Brief, "purposes"]) -> WantsCourses | None:
    """`None` below the weight from which it decides parts."""
    return WantsCourses() if is_wanted(brief, Purpose.FULL_ROUNDS) else None


@derive
def wants_filming(brief: Annotated[Brief, "purposes"]) -> WantsFilming | None:
    """`None` below the weight from which it decides the room."""
    return WantsFilming() if is_wanted(brief, Purpose.FILMING) else None


@derive
def swing_camera(wants: WantsFilming) -> SwingCamera:
    """Where swings are filmed: a hundred pictures a second or more."""
    return SwingCamera(pieces(1), say("Swings are filmed"), (ask_at_least("pictures_a_second", PICTURES_A_SECOND),))


@derive
def tripod(wants: WantsFilming) -> Tripod:
    """For the camera."""
    why = say("The camera stands before the player")
    return Tripod(pieces(1), why, (ask_equal("holds", "camera", purpose=True),))


@check("title.courses", title="Courses for whole rounds", place=on(Slot.TITLE))
def courses(
    brief: Annotated[Brief, "purposes"],
    title: Annotated[Title, "id"],
    plan: Annotated[TitlePlan, "courses"],
    wants: WantsCourses,
    packs: Annotated[Beside[CoursePack], "courses", "id", "name", "titles"],
    further: TitlesHeard | None,
) -> Answer:
    """For whole rounds the software's plan comes with courses, or packs and further software add some; how many is
    stated by their makers.

    None at all is tight, and ruled out where whole rounds are a must.
    """
    own = known(plan, "courses", title)
    others = further.each if further else ()
    titles = {title.id, *(other.id for other, _ in others)}
    # What is there twice adds nothing, and the best of two plans of the same software counts.
    held = [(other, known(paid, "courses", other)) for other, paid in others]
    most = {other.id: max(courses for one, courses in held if one.id == other.id) for other, _ in held}
    beside = {other.id: (other.name, most[other.id]) for other, _ in held if other.id != title.id}
    beside |= {pack.id: (pack.name, known(pack, "courses")) for pack in packs if titles & {*(pack.titles or ())}}
    own = max(own, most.get(title.id, 0))
    added = tuple(beside.values())
    count = own + sum(courses for _, courses in added)
    return Answer(
        at_least(count, 1, unit=Unit.COURSES, tolerated=tolerance_of(brief, Purpose.FULL_ROUNDS)),
        headline=lambda: (
            say("Plan {plan} and what stands beside it come with {count} courses", plan=plan.name, count=str(count))
            if added
            else say("Plan {plan} comes with {count} courses", plan=plan.name, count=str(count))
        ),
        formula="courses in the plan + courses in packs and further software, where full rounds weigh 3 or more",
        inputs=lambda: (
            stated_input(f"Courses in plan {plan.name}", str(own)),
            *(stated_input(f"Courses in {name}", str(courses)) for name, courses in added),
        ),
        cures=lambda: (say("Choose a plan with courses, a pack that adds some, or weigh full rounds less."),),
    )


@check("room.filming", title="Place for a camera", place=IN_ROOM)
def filming(
    brief: Annotated[Brief, "players", "purposes"],
    room: Annotated[Room, "width_m"],
    places: BallPlaces,
    wants: WantsFilming,
) -> Answer:
    """To film a swing from the front there are 2.0 m from the ball line to the wall that the player faces.

    Less is tight, since one may film from behind; where filming is a must, the view from the front is.
    """
    hands = {player.handedness for player in known_players(brief)}
    right_x_m, left_x_m = (places.of(hand)[0] for hand in (Handedness.RIGHT, Handedness.LEFT))
    free = {Handedness.RIGHT: room.width_m - right_x_m, Handedness.LEFT: left_x_m}
    free_m = min(free[hand] for hand in hands)
    return Answer(
        at_least(free_m, CAMERA_FREE_M, tolerated=tolerance_of(brief, Purpose.FILMING)),
        headline=lambda: say(
            "{free} before the player, a camera wants {least}", free=metres(free_m), least=metres(CAMERA_FREE_M)
        ),
        formula="ball line to the wall the player faces − 2.0 m, where filming weighs 3 or more",
        inputs=lambda: (
            measured_in_room(room, "width_m", "Width"),
            placed_input("Ball to left wall", places.spots[0][0]),
            Input("Hands", ", ".join(sorted(hands)), Basis.MEASURED),
        ),
        cures=lambda: (say("Film from behind, or with a wide lens."),),
        basis=Basis.TRADE,
    )
