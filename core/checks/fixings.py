"""What the room offers and risks where the bay is fixed: joists, sockets and glass (trade)."""

from core.checks.figures import listed, metres, placed, stated, worded
from core.checks.places import IN_ROOM, on
from core.checks.register import check
from core.checks.space import Glass, Sockets
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.geometry.shadow import Lens
from core.model.build import Slot
from core.model.facts import MissingFact, known
from core.model.kit import Beside
from core.model.parts import Mount, Projector
from core.model.room import Layout
from core.model.things import Guard, Joists, Opening
from core.quantities import say

JOIST_REACH_M = 0.10
"""Most mounts reach a joist this far from their middle (trade)."""
CABLE_USUAL_M = 3.0
"""What is in the box of most projectors (trade)."""
CABLE_MOST_M = 10.0
"""A longer run of flexible cable is no longer a good answer (trade)."""
PLATE_MOST_M = 1.20
"""A plate that spans more than this bends under a projector (trade)."""


@check("projector.joist", title="Something to fix the projector to", place=on(Slot.DISPLAY))
def projector_on_joist(lens: Lens, layout: Layout, joists: Joists, mounts: Beside[Mount]) -> Verdict:
    """The nearest joist to the projector: fixings go into it, or into a plate that spans two, never into board alone.

    Offset = distance of the lens to the nearest joist's middle. The mount's maker says how far it reaches; until one
    is chosen 0.10 m, as most do. Joists further apart than 1.20 m are not bridged by a plate. A joist is never cut or
    notched for it, and cables and pipes are looked for before drilling.
    """
    at_m = lens.x_m if joists.along else layout.screen_y_m + lens.distance_m
    steps = max(0, round((at_m - joists.first_m) / joists.spacing_m))
    nearest_m = joists.first_m + steps * joists.spacing_m
    offset_m = abs(at_m - nearest_m)
    mount = next((mount for mount in mounts if mount.holds == "projector"), None)
    reach_m = known(mount.reach_m, mount, "reach") if mount else JOIST_REACH_M
    margin_m = reach_m - offset_m
    bridged = State.TIGHT if joists.spacing_m <= PLATE_MOST_M else State.BLOCKED
    state = State.CLEAR if judge(margin_m, 0.0) is State.CLEAR else bridged
    return Verdict(
        state,
        say("{offset} from the projector to the nearest joist", offset=metres(offset_m)),
        measured=metres(offset_m),
        required=metres(reach_m),
        margin=metres(margin_m),
        formula="|lens − nearest of first joist + n · spacing|",
        inputs=lambda: (
            Input("First joist", metres(joists.first_m), Basis.MEASURED),
            Input("Spacing", metres(joists.spacing_m), Basis.MEASURED),
            placed("Projector", at_m),
            stated(f"{mount.name} reaches", metres(reach_m))
            if mount
            else Input("Most mounts reach", metres(reach_m), Basis.TRADE),
        ),
        changes=()
        if state is State.CLEAR
        else (
            say("Screw a plate across two joists, and the mount to the plate.")
            if state is State.TIGHT
            else say("Have a carpenter fix timber between two joists."),
            say("Move the projector {offset}, if its throw allows.", offset=metres(offset_m)),
        ),
    )


@check("projector.socket", title="Power for the projector", place=on(Slot.DISPLAY))
def projector_socket(projector: Projector, lens: Lens, layout: Layout, sockets: Sockets) -> Verdict:
    """The cable from the nearest socket to the projector, run square along wall and ceiling.

    run = |Δx| + |Δy| + |Δz|. 3 m is what comes with it; from there to 10 m a longer lead of the right rating,
    fixed and not chained; beyond that there is no power until a licensed electrician has added a socket.
    """
    here = (lens.x_m, layout.screen_y_m + lens.distance_m, lens.height_m)
    runs = {name: sum(abs(a - b) for a, b in zip(here, at, strict=True)) for name, at in sockets.places}
    nearest = min(runs, key=lambda name: runs[name])
    run_m = runs[nearest]
    longer = State.TIGHT if run_m <= CABLE_MOST_M else State.BLOCKED
    state = State.CLEAR if run_m <= CABLE_USUAL_M else longer
    cures = (
        say("Have a licensed electrician add a socket by the projector; local codes come first."),
        say(
            "A fixed lead of the right rating does up to {most}; never chain leads.",
            most=metres(CABLE_MOST_M),
        ),
    )
    return Verdict(
        state,
        say("{run} of cable from {socket} to {projector}", run=metres(run_m), socket=nearest, projector=projector.name),
        measured=metres(run_m),
        required=metres(CABLE_USUAL_M),
        margin=metres(CABLE_USUAL_M - run_m),
        formula="|Δx| + |Δy| + |Δz| from the nearest socket to the lens",
        inputs=lambda: tuple(Input(f"From {name}", metres(run), Basis.MEASURED) for name, run in runs.items()),
        changes=() if state is State.CLEAR else (cures if run_m > CABLE_MOST_M else cures[::-1]),
    )


@check("room.glass", title="Glass near the ball's flight", place=IN_ROOM)
def glass(windows: Glass) -> Verdict:
    """No window is ahead of the ball, where a mishit or a ball off the frame goes.

    Windows in the wall behind the screen or in a side wall between screen and ball count. Cover them with
    netting or board: clear. A shutter or a heavy curtain in front of safety film is the least: tight. Bare glass hurts
    who stands on either side of it.
    """
    guards = {window.name: _guard(window) for window in windows.ahead}
    bare = [name for name, guard in guards.items() if guard is Guard.NOTHING]
    filmed = [name for name, guard in guards.items() if guard is Guard.FILM]
    if bare:
        state, headline = State.BLOCKED, say("{windows} ahead of the ball, bare", windows=listed(bare))
    elif filmed:
        state, headline = State.TIGHT, say("{windows} ahead of the ball, behind film", windows=listed(filmed))
    elif guards:
        state, headline = State.CLEAR, say("{windows} ahead of the ball, behind a net", windows=listed(guards))
    else:
        state, headline = State.CLEAR, say("No glass ahead of the ball")
    return worded(
        state,
        headline,
        has=listed(bare or filmed),
        wants="none",
        formula="windows in the screen wall, or in a side wall between screen and ball, and what guards them",
        inputs=lambda: (
            *(Input(name, f"ahead, guarded by {guard.value}", Basis.MEASURED) for name, guard in guards.items()),
            *(Input(name, "behind the ball", Basis.MEASURED) for name in windows.behind),
        ),
        cures=(say("Hang netting or a board in front of it while people play."),),
        basis=Basis.TRADE,
    )


def _guard(window: Opening) -> Guard:
    if window.guard is None:
        raise MissingFact(f"What guards {window.name}", "Say in the room what is between it and a ball.")
    return window.guard
