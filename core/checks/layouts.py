"""Both layouts: everything has its place while people play, and while the room serves for something else."""

from core.checks.figures import counted, metres
from core.checks.places import IN_ROOM
from core.checks.register import check
from core.checks.space import GAP_COMFORT_M, PlayingLayout, StowedLayout
from core.checks.verdict import Basis, Input, State, Verdict, judge
from core.geometry.ceiling import Ceiling
from core.geometry.conflicts import Conflict, Gap, free_shift
from core.geometry.solids import Group, Solid
from core.model.room import Room
from core.model.things import BayPart
from core.quantities import Quantity, Sentence, Unit, say

UP = 2


@check("layout.playing", title="Room for everything while playing", place=IN_ROOM)
def while_playing(layout: PlayingLayout, room: Room, ceiling: Ceiling | None) -> Verdict:
    """While people play, nothing stands in the bay, where a golfer stands, or in the swing of a door.

    Everything counts as a box, padding included; fabric sides of an enclosure get 0.30 m to bulge into. Less than
    0.05 m between the bay and the rest is tight: a hand's breadth is what building takes (trade).
    """
    return _verdict(layout, room, ceiling, playing=True)


@check("layout.stowed", title="Room for what it must still hold", place=IN_ROOM)
def while_stowed(layout: StowedLayout, room: Room, ceiling: Ceiling | None) -> Verdict:
    """While nobody plays, what the room must hold fits between its walls, beside what of the bay stays up.

    Everything counts as a box where it is stowed. The door can still be opened, and nothing reaches the ceiling. Less
    than 0.05 m to what stays of the bay is tight.
    """
    return _verdict(layout, room, ceiling, playing=False)


def _verdict(layout: PlayingLayout | StowedLayout, room: Room, ceiling: Ceiling | None, *, playing: bool) -> Verdict:
    formula = "for each two things, the overlap of their boxes across, along and up; the narrowest gap beside the bay"
    found, solids = layout.conflicts, layout.solids
    if not found:
        if layout.missing is not None:
            raise layout.missing
        gap = layout.narrowest
        if gap is not None and judge(gap.wide_m, GAP_COMFORT_M) is State.TIGHT:
            return _narrow(gap, formula)
        return Verdict(
            State.CLEAR,
            say("Everything has its place while people play") if playing else say("Everything finds its place"),
            measured="nothing in the way",
            required="nothing in the way",
            margin="met",
            basis=Basis.MEASURED,
            formula=formula,
            inputs=lambda: tuple(_size(solid) for solid in solids),
        )
    worst = found[0]
    across, along, up = (metres(overlap) for overlap in worst.overlap_m)
    return Verdict(
        State.BLOCKED,
        say(
            "{first} and {second} overlap by {across} across, {along} along, {up} up",
            first=worst.first.name,
            second=worst.second.name,
            across=across,
            along=along,
            up=up,
        ),
        measured=metres(worst.depth_m),
        required=metres(0.0),
        margin=metres(-worst.depth_m),
        basis=Basis.MEASURED,
        formula=formula,
        inputs=lambda: tuple(
            Input(f"{other.first.name} and {other.second.name}, least", metres(other.depth_m), Basis.MEASURED)
            for other in found
        ),
        changes=_cures(worst, solids, room, ceiling, playing=playing),
    )


def _narrow(gap: Gap, formula: str) -> Verdict:
    return counted(
        State.TIGHT,
        say("{gap} between {first} and {second}", gap=metres(gap.wide_m), first=gap.first.name, second=gap.second.name),
        Unit.METRE,
        has=gap.wide_m,
        needs=0.0,
        formula=formula,
        inputs=lambda: (_size(gap.first), _size(gap.second)),
        cures=(say("Measure both again, or give {first} another place.", first=gap.first.name),),
        basis=Basis.MEASURED,
    )


def _size(solid: Solid) -> Input:
    (x0, y0, z0), (x1, y1, z1) = solid.box.low, solid.box.high
    size = " × ".join(f"{metre:.2f}" for metre in (x1 - x0, y1 - y0, z1 - z0))
    return Input(solid.name, f"{size} m", Basis.MEASURED)


def _cures(
    worst: Conflict, solids: tuple[Solid, ...], room: Room, ceiling: Ceiling | None, *, playing: bool
) -> tuple[Sentence, ...]:
    pair = (worst.first, worst.second)
    cures: list[Sentence] = []
    for moving in (solid for solid in pair if solid.group is Group.STORED):
        shift = free_shift(worst, solids, room, ceiling, GAP_COMFORT_M)
        if shift is not None:
            by, way = _told(*shift[:2])
            cures.append(say("Move {thing} {by} {way}: then it is free.", thing=moving.name, by=by, way=way))
            break
    for solid in pair:
        if solid.group is Group.BAY and not playing:
            cures.append(say("Take {part} down while the room is stowed.", part=_part(solid)))
        elif solid.group is Group.STORED and playing:
            cures.append(say("Take {thing} out while people play.", thing=solid.name))
        elif solid.hinge is not None:
            cures.append(say("Let the door open outward, or slide."))
        elif solid.key == BayPart.ENCLOSURE and worst.overlap_m[UP] > 0:
            cures.append(say("A narrower enclosure leaves more room beside it."))
    if not cures:
        cures.append(say("Give one of them another place."))
    return tuple(cures)


def _told(across_m: float, along_m: float) -> tuple[Quantity, str]:
    """A shift along one axis: how far, and which way."""
    if across_m:
        return metres(abs(across_m)), "right" if across_m > 0 else "left"
    return metres(abs(along_m)), "back" if along_m > 0 else "toward the screen"


def _part(solid: Solid) -> str:
    return f"the {solid.key}" if solid.key in list(BayPart) else solid.name
