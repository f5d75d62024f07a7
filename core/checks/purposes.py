"""What the purposes ask for: courses, club data, putting, a place for the camera (trade)."""

from dataclasses import dataclass

from core.checks.figures import measured_in_room, met, metres, placed, stated
from core.checks.places import IN_ROOM, on
from core.checks.register import check, derive
from core.checks.verdict import Basis, Input, State, Verdict
from core.model.brief import Brief, Handedness, Purpose
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.parts import BehindTheBall, LaunchMonitor, MonitorPlan, Title, TitlePlan
from core.model.room import Layout, Room
from core.quantities import Quantity, Unit, say

WANTED = 3
"""From this weight on a purpose decides parts."""
DATA_PURPOSES = {
    Purpose.CLUB_TESTING: "testing clubs",
    Purpose.COACHING: "coaching",
    Purpose.SWING_WORK: "work on the swing",
}
CAMERA_FREE_M = 2.0
"""From the ball line to a camera that films a golfer from the front (trade)."""


@dataclass(frozen=True)
class WantsCourses:
    """Whole rounds are played here."""


@dataclass(frozen=True)
class WantsClubData:
    """Clubs or swings are worked on by their data."""

    purposes: str


@dataclass(frozen=True)
class WantsPutting:
    """Putts and short shots are played here."""


@dataclass(frozen=True)
class WantsFilming:
    """Swings are filmed."""


@derive
def wants_courses(brief: Brief) -> WantsCourses | None:
    """`None` below the weight from which it decides parts."""
    return WantsCourses() if brief.weight(Purpose.FULL_ROUNDS) >= WANTED else None


@derive
def wants_club_data(brief: Brief) -> WantsClubData | None:
    """The purposes that need more than ball speed and carry."""
    wanted = [words for purpose, words in DATA_PURPOSES.items() if brief.weight(purpose) >= WANTED]
    return WantsClubData(", ".join(wanted)) if wanted else None


@derive
def wants_putting(brief: Brief) -> WantsPutting | None:
    """`None` below the weight from which it decides parts."""
    return WantsPutting() if brief.weight(Purpose.PUTTING) >= WANTED else None


@derive
def wants_filming(brief: Brief) -> WantsFilming | None:
    """`None` below the weight from which it decides the room."""
    return WantsFilming() if brief.weight(Purpose.FILMING) >= WANTED else None


@check("title.courses", title="Courses for whole rounds", place=on(Slot.TITLE))
def courses(title: Title, plan: TitlePlan, wanted: WantsCourses) -> Verdict:
    """For whole rounds the title's plan comes with courses; how many is stated by its maker."""
    count = known(plan.courses, title, f"number of courses in plan {plan.name}")
    state = State.CLEAR if count else State.TIGHT
    return Verdict(
        state,
        say("Plan {plan} comes with {count} courses", plan=plan.name, count=str(count)),
        measured=str(count),
        required="1 or more",
        margin=met(count > 0),
        basis=Basis.SPEC,
        formula="courses in the plan, where full rounds weigh 3 or more",
        inputs=lambda: (stated(f"Courses in plan {plan.name}", str(count)),),
        changes=() if count else (say("Choose a plan with courses, or weigh full rounds less."),),
    )


@check("monitor.data", title="Data for the purposes", place=on(Slot.MONITOR))
def club_data(monitor: LaunchMonitor, plan: MonitorPlan, wanted: WantsClubData) -> Verdict:
    """Work on clubs and swings needs more than the data of the lowest plan, where a maker has plans above it."""
    most = max((other.tier for other in monitor.plans), default=0)
    short = plan.tier == 0 and most > 0
    return Verdict(
        State.TIGHT if short else State.CLEAR,
        say("Plan {plan} for {purposes}", plan=plan.name, purposes=wanted.purposes),
        measured=Quantity(plan.tier, Unit.TIER),
        required=Quantity(1 if most else 0, Unit.TIER),
        margin=Quantity(plan.tier - (1 if most else 0), Unit.TIERS),
        basis=Basis.SPEC,
        formula="tier of the plan, where testing, coaching or swing work weigh 3 or more",
        inputs=lambda: tuple(stated(f"Plan {other.name}", Quantity(other.tier, Unit.TIER)) for other in monitor.plans),
        changes=(say("Choose a plan that unlocks club data."),) if short else (),
    )


@check("monitor.putting", title="Reads putts", place=on(Slot.MONITOR))
def putting(monitor: LaunchMonitor, wanted: WantsPutting) -> Verdict:
    """Cameras beside the ball or overhead see slow balls on the ground well; what sits behind it often does not."""
    behind = isinstance(monitor, BehindTheBall)
    return Verdict(
        State.TIGHT if behind else State.CLEAR,
        say("{monitor} sits behind the ball", monitor=monitor.name)
        if behind
        else say("{monitor} sees the ball roll", monitor=monitor.name),
        measured="behind the ball" if behind else "beside or above it",
        required="beside or above it",
        margin=met(not behind),
        formula="where the monitor sits, where putting weighs 3 or more",
        inputs=lambda: (stated("Kind", type(monitor).__name__),),
        changes=(say("A camera beside the ball or overhead reads putts better; try it before you buy."),)
        if behind
        else (),
    )


@check("room.filming", title="Place for a camera", place=IN_ROOM)
def filming(brief: Brief, room: Room, layout: Layout, wanted: WantsFilming) -> Verdict:
    """To film a swing from the front there are 2.0 m from the ball line to the wall that the player faces."""
    hands = {player.handedness for player in known_players(brief)}
    free = {Handedness.RIGHT: room.width_m - layout.ball_x_m, Handedness.LEFT: layout.ball_x_m}
    free_m = min(free[hand] for hand in hands)
    margin_m = free_m - CAMERA_FREE_M
    state = State.CLEAR if margin_m >= 0 else State.TIGHT
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
