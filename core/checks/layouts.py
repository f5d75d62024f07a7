"""Both layouts: everything has its place while people play, and while the room serves for something else."""

from typing import Annotated

from core.checks.declared import THERE
from core.checks.figures import metres
from core.checks.limits import State, Words, at_least, at_most
from core.checks.places import IN_ROOM
from core.checks.register import check
from core.checks.space import HANDS_BREADTH_M, LookedThrough, PlayingLayout, StowedLayout
from core.checks.verdict import Answer, Basis, Cure, Cures, Input, press
from core.geometry.ceiling import Ceiling
from core.geometry.conflicts import Conflict, free_shift
from core.geometry.solids import Group, Solid
from core.geometry.through import StickingOut
from core.model import acts
from core.model.facts import MissingFact
from core.model.room import Room
from core.model.things import BayPart, Opens, WhilePlaying
from core.quantities import Quantity, Sentence, say

UP = 2


@check("layout.playing", title="Room for everything while playing", place=IN_ROOM)
def while_playing(
    layout: PlayingLayout, room: Annotated[Room, THERE], ceiling: Ceiling | None, looked: LookedThrough
) -> Answer:
    """While people play, nothing stands in the bay, where a golfer stands, or in the swing of a door.

    Everything counts as a box, padding included; fabric sides of an enclosure get 0.30 m to bulge into. Less than
    0.05 m between the bay and the rest is tight: a hand's breadth is what building takes (trade). What sticks out
    through a door that it fits through is tight: the door stays open.
    """
    return _answer(layout, room, ceiling, looked, playing=True)


@check("layout.stowed", title="Room for what it must still hold", place=IN_ROOM)
def while_stowed(
    layout: StowedLayout, room: Annotated[Room, THERE], ceiling: Ceiling | None, looked: LookedThrough
) -> Answer:
    """While nobody plays, what the room must hold fits between its walls, beside what of the bay stays up.

    Everything counts as a box where it is stowed. The door can still be opened, and nothing reaches the ceiling. Less
    than 0.05 m to what stays of the bay is tight, and so is what sticks out through a door: it stays open.
    """
    return _answer(layout, room, ceiling, looked, playing=False)


def _answer(
    layout: PlayingLayout | StowedLayout,
    room: Room,
    ceiling: Ceiling | None,
    looked: LookedThrough,
    *,
    playing: bool,
) -> Answer:
    formula = "for each two things, the overlap of their boxes across, along and up; the narrowest gap beside the bay"
    found, solids, gap = layout.conflicts, layout.solids, layout.narrowest
    if found:
        return _overlapping(found, solids, room, ceiling, formula, playing=playing)
    if layout.missing is not None:
        raise MissingFact(*layout.missing)
    if looked.missing is not None:
        raise MissingFact(*looked.missing)
    if layout.sticking_out:
        return _sticking_out(layout.sticking_out, formula)
    if gap is not None and (limit := at_least(gap.wide_m, 0.0, HANDS_BREADTH_M)).state is State.TIGHT:
        return Answer(
            limit,
            headline=lambda: say(
                "{gap} between {first} and {second}",
                gap=metres(gap.wide_m),
                first=gap.first.name,
                second=gap.second.name,
            ),
            formula=formula,
            inputs=lambda: (_size(gap.first), _size(gap.second)),
            cures=lambda: (say("Measure both again, or give {first} another place.", first=gap.first.name),),
            basis=Basis.MEASURED,
        )
    return Answer(
        Words(State.CLEAR, "nothing in the way", "nothing in the way"),
        headline=lambda: say("Everything has its place while people play" if playing else "Everything finds its place"),
        formula=formula,
        inputs=lambda: tuple(_size(solid) for solid in solids),
        cures=tuple,
        basis=Basis.MEASURED,
    )


def _sticking_out(found: tuple[StickingOut, ...], formula: str) -> Answer:
    thing, door = found[0]
    return Answer(
        Words(State.TIGHT, f"{thing} through {door}", "between the walls"),
        headline=lambda: say("{thing} sticks out through {door}, which stays open", thing=thing, door=door),
        formula=formula,
        inputs=lambda: tuple(Input(each.thing, f"through {each.door}", Basis.MEASURED) for each in found),
        cures=lambda: (say("Find a place for {thing} between the walls.", thing=thing),),
        basis=Basis.MEASURED,
    )


def _overlapping(
    found: tuple[Conflict, ...],
    solids: tuple[Solid, ...],
    room: Room,
    ceiling: Ceiling | None,
    formula: str,
    *,
    playing: bool,
) -> Answer:
    worst = found[0]
    across, along, up = (metres(overlap) for overlap in worst.overlap_m)
    return Answer(
        at_most(worst.depth_m, 0.0),
        headline=lambda: say(
            "{first} and {second} overlap by {across} across, {along} along, {up} up",
            first=worst.first.name,
            second=worst.second.name,
            across=across,
            along=along,
            up=up,
        ),
        formula=formula,
        inputs=lambda: tuple(
            Input(f"{other.first.name} and {other.second.name}, least", metres(other.depth_m), Basis.MEASURED)
            for other in found
        ),
        cures=lambda: _cures(worst, solids, room, ceiling, playing=playing),
        basis=Basis.MEASURED,
    )


def _size(solid: Solid) -> Input:
    (x0, y0, z0), (x1, y1, z1) = solid.box.low, solid.box.high
    size = " × ".join(f"{metre:.2f}" for metre in (x1 - x0, y1 - y0, z1 - z0))
    return Input(solid.name, f"{size} m", Basis.MEASURED)


def _cures(worst: Conflict, solids: tuple[Solid, ...], room: Room, ceiling: Ceiling | None, *, playing: bool) -> Cures:
    pair = (worst.first, worst.second)
    cures: list[Sentence | Cure] = []
    for moving, other in (pair, pair[::-1]):
        if moving.group is Group.STORED and (
            shift := free_shift(moving, other, solids, room, ceiling, HANDS_BREADTH_M)
        ):
            by, way = _told(*shift[:2])
            act = acts.stored_moved(_id_of(moving), playing=playing, across_m=shift[0], along_m=shift[1])
            cures.append(
                press(act, "Move {thing} {by} {way}: then it is free.", None, thing=moving.name, by=by, way=way)
            )
            break
    for solid in pair:
        if solid.group is Group.BAY and not playing:
            down = "Take {part} down while the room is stowed."
            cures.append(press(acts.taken_down(solid.key), down, None, part=_part(solid)))
        elif solid.group is Group.STORED and playing:
            out = acts.of_content("stored", _id_of(solid), while_playing=WhilePlaying.OUT)
            cures.append(press(out, "Take {thing} out while people play.", None, thing=solid.name))
        elif solid.is_sprung:
            words = "Hang nothing where {door} goes; its rails and springs are a door company's work."
            cures.append(say(words, door=solid.name))
        elif solid.hinge is not None:
            outward = acts.of_content("openings", _id_of(solid), opens=Opens.OUTWARD)
            cures.append(press(outward, "Let {door} open outward, or slide.", None, door=solid.name))
        elif solid.key == BayPart.ENCLOSURE and worst.overlap_m[UP] > 0:
            cures.append(say("A narrower enclosure leaves more room beside it."))
    if not cures:
        cures.append(say("Give one of them another place."))
    return tuple(cures)


def _id_of(solid: Solid) -> str:
    """Of the record that it comes from."""
    return solid.key.partition("/")[2]


def _told(across_m: float, along_m: float) -> tuple[Quantity, str]:
    """A shift along one axis: how far, and which way."""
    if across_m:
        return metres(abs(across_m)), "right" if across_m > 0 else "left"
    return metres(abs(along_m)), "back" if along_m > 0 else "toward the screen"


def _part(solid: Solid) -> str:
    return f"the {solid.key}" if solid.key in list(BayPart) else solid.name
