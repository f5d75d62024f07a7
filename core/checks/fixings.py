"""What the room offers and risks where the bay is fixed: joists, sockets and glass (trade)."""

from typing import Annotated

from core.checks.declared import THERE
from core.checks.figures import in_a_row, metres, placed_input, stated_input
from core.checks.hanging import JOIST_REACH_M, JoistOffset, ProjectorMount
from core.checks.limits import State, Words, at_most
from core.checks.places import IN_ROOM, on
from core.checks.register import check
from core.checks.space import Glass, Sockets
from core.checks.verdict import Answer, Basis, Cure, Input, find_out, press
from core.geometry.cable_route import route_over_ceiling
from core.geometry.ceiling import Ceiling
from core.geometry.shadow import Lens
from core.model import acts
from core.model.build import Slot
from core.model.facts import FactAt, known
from core.model.kit import Beside
from core.model.parts import Mount, Projector
from core.model.room import Layout
from core.model.things import Guard, Joists, OpeningKind
from core.quantities import say

CABLE_USUAL_M = 3.0
"""What is in the box of most projectors (trade)."""
CABLE_MOST_M = 10.0
"""A longer run of flexible cable is no longer a good answer (trade)."""


@check("projector.joist", title="Something to fix the projector to", place=on(Slot.DISPLAY))
def projector_on_joist(
    offset: JoistOffset,
    joists: Annotated[Joists, THERE],
    lens: Lens,
    need: ProjectorMount | None,
    mounts: Annotated[Beside[Mount], "drop_max_m", "drop_min_m", "holds", "load_kg", "reach_m"],
) -> Answer:
    """The nearest joist to the projector: fixings go into it, or into a plate that spans two, never into board alone.

    Offset = distance of the lens to the nearest joist's middle. The mount's maker says how far it reaches; until one
    is chosen 0.10 m, as most do. Joists further apart than 1.20 m are not bridged by a plate. A joist is never cut or
    notched for it, and cables and pipes are looked for before drilling.
    """
    mount = need.best(mounts) if need else None
    reach_m = known(mount, "reach_m") if mount else JOIST_REACH_M
    limit = at_most(offset.offset_m, reach_m, tolerated=offset.tolerated_m)
    return Answer(
        limit,
        headline=lambda: say("{offset} from the projector to the nearest joist", offset=limit.has),
        formula="|lens − nearest of first joist + n · spacing|",
        inputs=lambda: (
            Input("First joist", metres(joists.first_m), Basis.MEASURED),
            Input("Spacing", metres(joists.spacing_m), Basis.MEASURED),
            placed_input("Projector", offset.at_m),
            stated_input(f"{mount.name} reaches", metres(reach_m))
            if mount
            else Input("Most mounts reach", metres(reach_m), Basis.TRADE),
        ),
        cures=lambda: (
            say("Screw a plate across two joists, and the mount to the plate.")
            if offset.bridged
            else say("Have a carpenter fix timber between two joists."),
            *(() if joists.along else (_along_the_throw(offset, lens),)),
        ),
        basis=Basis.TRADE,
    )


def _along_the_throw(offset: JoistOffset, lens: Lens) -> Cure:
    """Across the room it stays before the middle of the screen."""
    way = "nearer to" if offset.to_joist_m < 0 else "further from"
    act = acts.laid_out(lens_distance_m=lens.distance_m + offset.to_joist_m)
    return press(act, "Hang the projector {by} {way} the screen.", by=metres(offset.offset_m), way=way)


@check("projector.socket", title="Power for the projector", place=on(Slot.DISPLAY))
def projector_socket(
    projector: Annotated[Projector, THERE],
    lens: Lens,
    layout: Annotated[Layout, "screen_y_m"],
    sockets: Sockets,
    ceiling: Ceiling,
) -> Answer:
    """The cable from the nearest socket to the projector: up the wall, square along under the ceiling, and down.

    3 m is what comes with it; from there to 10 m a longer lead of the right rating,
    fixed and not chained; beyond that there is no power until a licensed electrician has added a socket.
    """
    here = (lens.x_m, layout.screen_y_m + lens.distance_m, lens.height_m)
    runs = {name: route_over_ceiling(at, here, ceiling).path_m for name, at in sockets.places}
    nearest = min(runs, key=lambda name: runs[name])
    limit = at_most(runs[nearest], CABLE_MOST_M, CABLE_USUAL_M)
    new_socket = find_out(
        FactAt("room", "sockets"), "Have a licensed electrician add a socket by the projector; local codes come first."
    )
    longer = say("A fixed lead of the right rating does up to {most}; never chain leads.", most=metres(CABLE_MOST_M))
    return Answer(
        limit,
        headline=lambda: say(
            "{run} of cable from {socket} to {projector}", run=limit.has, socket=nearest, projector=projector.name
        ),
        formula="up the wall + |Δx| + |Δy| under the ceiling + down to the lens, from the nearest socket",
        inputs=lambda: tuple(Input(f"From {name}", metres(run), Basis.MEASURED) for name, run in runs.items()),
        cures=lambda: (new_socket,) if limit.state is State.BLOCKED else (longer, new_socket),
        basis=Basis.TRADE,
    )


@check("room.glass", title="Glass near the ball's flight", place=IN_ROOM)
def glass(windows: Glass) -> Answer:
    """No window is ahead of the ball, where a mishit or a ball off the frame goes.

    Windows in the wall behind the screen or in a side wall between screen and ball count. Cover them with
    netting or board: clear. A shutter or a heavy curtain in front of safety film is the least: tight. Bare glass hurts
    who stands on either side of it.
    """
    glass = [one for one in windows.ahead if one.kind is OpeningKind.WINDOW or known(one, "glazed")]
    guards = {window.name: known(window, "guard") for window in glass}
    bare = [name for name, guard in guards.items() if guard is Guard.NOTHING]
    filmed = [name for name, guard in guards.items() if guard is Guard.FILM]
    if bare:
        state, headline = State.BLOCKED, say("{windows} ahead of the ball, bare", windows=in_a_row(bare))
    elif filmed:
        state, headline = State.TIGHT, say("{windows} ahead of the ball, behind film", windows=in_a_row(filmed))
    elif guards:
        state, headline = State.CLEAR, say("{windows} ahead of the ball, behind a net", windows=in_a_row(guards))
    else:
        state, headline = State.CLEAR, say("No glass ahead of the ball")
    return Answer(
        Words(state, in_a_row(bare or filmed), "none"),
        headline=lambda: headline,
        formula="windows in the screen wall, or in a side wall between screen and ball, and what guards them",
        inputs=lambda: (
            *(Input(name, f"ahead, guarded by {guard.value}", Basis.MEASURED) for name, guard in guards.items()),
            *(Input(name, "behind the ball", Basis.MEASURED) for name in windows.behind),
        ),
        cures=lambda: (
            press(
                acts.together(*(acts.of_content("openings", window.id, guard=Guard.NET) for window in windows.ahead)),
                "Hang netting or a board in front of it while people play.",
            ),
        ),
        basis=Basis.TRADE,
    )
