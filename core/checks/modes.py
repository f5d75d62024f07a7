"""Other uses of the room: what each keeps clear is free, with what of the bay is up and what is stored there."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Annotated, NamedTuple

from core.bay import Bay
from core.checks.figures import metres
from core.checks.limits import Limit, State, Words, at_least, at_most, tightest
from core.checks.places import IN_ROOM
from core.checks.readings import BallPlaces, BayMiddle
from core.checks.register import check, derive_from_known
from core.checks.space import LookedThrough
from core.checks.verdict import Answer, Basis, Cure, Cures, Input, press
from core.geometry.boxes import Box
from core.geometry.ceiling import Ceiling
from core.geometry.conflicts import Conflict, conflicts, free_shift
from core.geometry.solids import Group, Solid, clear_solids, door_fittings, golfers, stored_solids, thing_solids
from core.geometry.surroundings import Surroundings
from core.model import acts
from core.model.brief import Brief
from core.model.facts import Missing, MissingFact
from core.model.modes import ClearKind, KeptClear, Mode
from core.model.room import Room
from core.model.things import BayPart
from core.quantities import Sentence, say

WAY_LEAST_M = 0.70
WAY_COMFORTABLE_M = 0.80
"""A way through for one person, and one that is walked with a bag over the shoulder (trade)."""
FROM_SWING_LEAST_M = 0.30
FROM_SWING_COMFORTABLE_M = 0.60
"""From who looks on to the nearest swing: it is nobody's estimate that decides there (trade)."""
BEHIND_BALL_COMFORTABLE_M = 0.30
"""Who looks on is behind the ball line: ahead of it balls fly, and shanks (trade)."""


@dataclass(frozen=True)
class ModeLayout:
    """The room in one mode: everything in it, the zones among it, and what is in whose way."""

    mode: Mode
    solids: tuple[Solid, ...]
    conflicts: tuple[Conflict, ...]
    missing: Missing | None
    """A size that is not known of what is up."""


@dataclass(frozen=True)
class ModeLayouts:
    """All modes, in their own order."""

    layouts: tuple[ModeLayout, ...]

    def of(self, mode: str) -> ModeLayout | None:
        """The one of a mode by its id."""
        return next((layout for layout in self.layouts if layout.mode.id == mode), None)


@derive_from_known
def mode_layouts(
    room: Annotated[Room, "kept_clear", "length_m", "modes", "openings", "stored", "things", "width_m"],
    brief: Annotated[Brief, "players"],
    places: BallPlaces,
    middle: BayMiddle,
    bay: Bay,
    ceiling: Ceiling | None,
) -> ModeLayouts | None:
    """Things, stored things but for what is out, what is up, and what is kept clear; `None` without modes."""
    if not room.modes:
        return None
    return ModeLayouts(tuple(_layout(mode, room, brief, places, middle, bay, ceiling) for mode in room.modes))


def _layout(
    mode: Mode, room: Room, brief: Brief, places: BallPlaces, middle: BayMiddle, bay: Bay, ceiling: Ceiling | None
) -> ModeLayout:
    up = tuple(BayPart) if mode.plays else mode.stays_up
    out = {f"stored/{id}" for id in mode.out}
    golfing = golfers(brief.players, lambda hand: (*places.of(hand), bay.surface_m)) if mode.plays else ()
    solids = (
        *thing_solids(room),
        *door_fittings(room),
        *(solid for solid in stored_solids(room, playing=mode.plays) if solid.key not in out),
        *bay.standing(up, bulging=mode.plays, middle_m=middle.x_m),
        *golfing,
        *clear_solids(room, mode.id),
    )
    # What else is in whose way is the matter of the two layouts that everybody has.
    found = tuple(conflict for conflict in conflicts(solids, room, ceiling) if _zone_in(conflict) is not None)
    return ModeLayout(mode, solids, found, bay.unknown_at_play() if mode.plays else bay.unsized(up))


def _zone_in(conflict: Conflict) -> Solid | None:
    return next((solid for solid in (conflict.first, conflict.second) if solid.group is Group.ZONE), None)


class _Found(NamedTuple):
    """One limit on a mode: on which, in words, and what would change it."""

    mode: Mode
    headline: Sentence
    cures: Cures


@check("layout.modes", title="Other uses of the room", place=IN_ROOM)
def modes(
    layouts: ModeLayouts,
    room: Annotated[Room, "kept_clear", "length_m", "openings", "width_m"],
    places: BallPlaces,
    surroundings: Surroundings | None,
    ceiling: Ceiling | None,
    looked: LookedThrough,
) -> Answer:
    """What each use keeps clear is free of all that stands, hangs or is up in it; the worst of them decides.

    A way through is 0.70 m wide. Who looks on while somebody swings is 0.30 m or more from every swing, and behind
    the ball.
    """
    found = dict(_limits(layouts, room, places, surroundings, ceiling))
    deciding = tightest(tuple(found)) if found else None
    if deciding is None or deciding.state is not State.BLOCKED:
        missing = next((layout.missing for layout in layouts.layouts if layout.missing), None) or looked.missing
        if missing is not None:
            raise MissingFact(*missing)
    told = found[deciding] if deciding is not None and deciding.state is not State.CLEAR else None
    names = ", ".join(layout.mode.name for layout in layouts.layouts)
    return Answer(
        tuple(found) or Words(State.CLEAR, "nothing kept clear", "nothing in the way"),
        headline=lambda: told.headline if told else say("Everything stays clear: {modes}", modes=names),
        formula="for each zone: overlap with what stands there; width of a way − 0.70 m; distance to a swing − 0.30 m",
        inputs=lambda: (
            *(Input(layout.mode.name, _standing(layout), Basis.MEASURED) for layout in layouts.layouts),
            *(Input(zone.name, _size(zone), Basis.MEASURED) for zone in room.kept_clear),
        ),
        cures=lambda: told.cures if told else (),
        basis=Basis.MEASURED,
    )


def _limits(
    layouts: ModeLayouts,
    room: Room,
    places: BallPlaces,
    surroundings: Surroundings | None,
    ceiling: Ceiling | None,
) -> Iterator[tuple[Limit, _Found]]:
    by_key = {f"kept_clear/{zone.id}": zone for zone in room.kept_clear}
    for layout in layouts.layouts:
        for conflict in layout.conflicts[:1]:
            yield at_most(conflict.depth_m, 0.0), _in_the_way(conflict, layout, room, ceiling)
        for solid in layout.solids:
            zone = by_key.get(solid.key)
            if zone is None:
                continue
            if zone.kind is ClearKind.WAY:
                yield _wide_enough(zone), _narrow(zone, layout.mode)
            if layout.mode.plays and zone.kind.holds_people:
                yield from _away_from_play(zone, solid, layout.mode, room, places, surroundings)


def _in_the_way(conflict: Conflict, layout: ModeLayout, room: Room, ceiling: Ceiling | None) -> _Found:
    across, along, up = (metres(overlap) for overlap in conflict.overlap_m)
    zone = _zone_in(conflict)
    assert zone is not None
    other = conflict.second if zone is conflict.first else conflict.first
    words = "{mode}: {other} is in {zone} by {across} across, {along} along, {up} up"
    return _Found(
        layout.mode,
        say(words, mode=layout.mode.name, other=other.name, zone=zone.name, across=across, along=along, up=up),
        tuple(_cures(zone, other, layout, room, ceiling)),
    )


def _cures(
    zone: Solid, other: Solid, layout: ModeLayout, room: Room, ceiling: Ceiling | None
) -> Iterator[Sentence | Cure]:
    mode = layout.mode
    shift = free_shift(zone, other, layout.solids, room, ceiling, 0.0)
    if shift is not None:
        yield press(_moved(zone, *shift[:2]), "Move {zone} to where it is free.", None, zone=zone.name)
    if other.group is Group.BAY and not mode.plays and other.key in mode.stays_up:
        stays = tuple(part for part in mode.stays_up if part != other.key)
        down = acts.of_content("modes", mode.id, stays_up=stays)
        yield press(down, "Take {part} down for {mode}.", None, part=f"the {other.key}", mode=mode.name)
    if other.group is Group.STORED:
        out = acts.of_content("modes", mode.id, out=(*mode.out, other.key.partition("/")[2]))
        yield press(out, "Take {thing} out for {mode}.", None, thing=other.name, mode=mode.name)
    yield say("Keep less clear, or give {thing} another place.", thing=other.name)


def _moved(zone: Solid, across_m: float, along_m: float) -> acts.Act:
    (x, y, _) = zone.box.low
    _, _, id = zone.key.partition("/")
    return acts.of_content("kept_clear", id, x_m=x + across_m, y_m=y + along_m)


def _wide_enough(zone: KeptClear) -> Limit:
    return at_least(min(zone.width_m, zone.length_m), WAY_LEAST_M, WAY_COMFORTABLE_M)


def _narrow(zone: KeptClear, mode: Mode) -> _Found:
    sizes = {"width_m": zone.width_m, "length_m": zone.length_m}
    narrow = {side: WAY_COMFORTABLE_M for side, size_m in sizes.items() if size_m < WAY_COMFORTABLE_M}
    wider = acts.of_content("kept_clear", zone.id, **narrow)
    limit = _wide_enough(zone)
    words = "{mode}: {zone} is {wide} wide, {least} let somebody through"
    return _Found(
        mode,
        say(words, mode=mode.name, zone=zone.name, wide=limit.has, least=limit.wants),
        (press(wider, "Keep {wide} of it clear.", None, wide=metres(WAY_COMFORTABLE_M)),),
    )


def _away_from_play(
    zone: KeptClear, solid: Solid, mode: Mode, room: Room, places: BallPlaces, surroundings: Surroundings | None
) -> Iterator[tuple[Limit, _Found]]:
    """Who looks on is behind the ball, and out of every swing."""
    back_m = max(y for _, y in places.spots)
    behind = at_least(zone.y_m - back_m, 0.0, BEHIND_BALL_COMFORTABLE_M)
    to_m = back_m + BEHIND_BALL_COMFORTABLE_M
    yield (
        behind,
        _Found(
            mode,
            say("{mode}: {zone} begins {behind} behind the ball", mode=mode.name, zone=zone.name, behind=behind.has),
            (*_set_back(zone, to_m, room), say("Nobody stands ahead of the ball: balls fly there, and shanks.")),
        ),
    )
    if surroundings is None:
        return
    alone = replace(surroundings, things=(solid._replace(reach=_standing_box(solid)),), panels=())
    for player in surroundings.players:
        closest = alone.closest_thing(player, player.longest_club)
        limit = at_least(closest.clearance_m, FROM_SWING_LEAST_M, FROM_SWING_COMFORTABLE_M)
        words = "{mode}: {zone} is {away} from the swing of {who}, {least} is the least"
        more_m = FROM_SWING_COMFORTABLE_M - closest.clearance_m
        yield (
            limit,
            _Found(
                mode,
                say(words, mode=mode.name, zone=zone.name, away=limit.has, who=player.name, least=limit.wants),
                (
                    *_set_back(zone, zone.y_m + max(0.0, more_m), room),
                    say("Children and pets stay out of the swing, always."),
                ),
            ),
        )


def _standing_box(solid: Solid) -> Box:
    """From the floor up: a foot is met as a head is."""
    (x0, y0, _), high = solid.box.low, solid.box.high
    return Box((x0, y0, 0.0), high)


def _set_back(zone: KeptClear, to_m: float, room: Room) -> Iterator[Cure]:
    """Further from the screen, where the room goes as far."""
    if to_m + zone.length_m <= room.length_m:
        act = acts.of_content("kept_clear", zone.id, y_m=to_m)
        words = "Move {zone} back, to {to} from the screen wall."
        yield press(act, words, None, zone=zone.name, to=metres(to_m))


def _standing(layout: ModeLayout) -> str:
    standing = dict.fromkeys(solid.name for solid in layout.solids if solid.group is not Group.ZONE)
    return ", ".join(standing) or "nothing stands there"


def _size(zone: KeptClear) -> str:
    return f"{zone.width_m:.2f} × {zone.length_m:.2f} × {zone.height_m:.2f} m"
