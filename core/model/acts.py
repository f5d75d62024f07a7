"""What a press does to a build: each act gives the build as it is afterwards, and changes nothing else.

Acts are told by how far they move something, so that they do what was said on whatever the build has become.
"""

from collections.abc import Callable, Mapping
from typing import Any, TypeVar

from core.model.brief import Handedness
from core.model.build import Build, Extra, HungPart, Slot
from core.model.clubs import Club
from core.model.free_ids import free_id
from core.model.laying import Rectangle
from core.model.record import Record
from core.model.things import BayPart
from core.quantities.tolerances import STORED_DECIMALS

Act = Callable[[Build], Build]
R = TypeVar("R", bound=Record)


def together(*acts: Act) -> Act:
    """One act after the other."""

    def done(build: Build) -> Build:
        for act in acts:
            build = act(build)
        return build

    return done


def laid_out(**fields: object) -> Act:
    """Fields of the layout set to what is given; lengths as they are stored."""
    return lambda build: _with_layout(build, {name: _stored(value) for name, value in fields.items()})


def moved(**by_m: float) -> Act:
    """Lengths of the layout that are set, each so much more; a ball that is moved has been placed."""

    def done(build: Build) -> Build:
        changes: dict[str, object] = {
            field: _stored(getattr(build.layout, field) + by) for field, by in by_m.items() if by
        }
        placed = {"ball_placed": True} if changes.keys() & {"ball_x_m", "ball_y_m"} else {}
        return _with_layout(build, changes | placed)

    return done


def ball_moved(*, across_m: float = 0.0, along_m: float = 0.0, hand: Handedness | None = None) -> Act:
    """The ball so far to the right, and so far back: of players of one hand, where they have a spot of their own."""

    def done(build: Build) -> Build:
        if hand is Handedness.LEFT and build.layout.two_spots:
            x_m, y_m = build.layout.ball_of(hand)
            return laid_out(left_ball_x_m=x_m + across_m, left_ball_y_m=y_m + along_m)(build)
        return _kept_apart(build, moved(ball_x_m=across_m, ball_y_m=along_m)(build))

    return done


def all_balls_moved(along_m: float) -> Act:
    """Every ball so far back."""

    def done(build: Build) -> Build:
        both = (Handedness.LEFT, Handedness.RIGHT) if build.layout.two_spots else (Handedness.RIGHT,)
        return together(*(ball_moved(along_m=along_m, hand=hand) for hand in both))(build)

    return done


def balls_back_to(y_m: float) -> Act:
    """Every ball that lies nearer to the screen wall than that, so far back; one that is behind it stays."""

    def done(build: Build) -> Build:
        both = (Handedness.LEFT, Handedness.RIGHT) if build.layout.two_spots else (Handedness.RIGHT,)
        short = {hand: y_m - build.layout.ball_of(hand)[1] for hand in both}
        return together(*(ball_moved(along_m=by, hand=hand) for hand, by in short.items() if by > 0))(build)

    return done


def ball_put(x_m: float, y_m: float, hands: tuple[Handedness, ...], *, one_for_all: bool = True) -> Act:
    """The ball there, for everybody; or for players of these hands, and the others' where it is."""

    def done(build: Build) -> Build:
        if one_for_all:
            return laid_out(ball_x_m=x_m, ball_y_m=y_m, ball_placed=True, left_ball_x_m=None, left_ball_y_m=None)(build)
        if Handedness.LEFT in hands:
            return laid_out(left_ball_x_m=x_m, left_ball_y_m=y_m)(build)
        return _kept_apart(build, laid_out(ball_x_m=x_m, ball_y_m=y_m, ball_placed=True)(build))

    return done


def _kept_apart(before: Build, after: Build) -> Build:
    """`after`, with a spot of the left-handers that did not move with the other ball."""
    if not before.layout.two_spots:
        return after
    x_m, y_m = before.layout.ball_of(Handedness.LEFT)
    return laid_out(left_ball_x_m=x_m, left_ball_y_m=y_m)(after)


def bay_moved(across_m: float) -> Act:
    """Screen, picture and enclosure so far to the right."""
    return lambda build: _with_layout(build, {"screen_x_m": _stored(build.layout.bay_middle_m(build.room) + across_m)})


def in_room(**fields: object) -> Act:
    """Fields of the room set to what is given."""
    return lambda build: build.model_copy(update={"room": _changed(build.room, fields)})


def in_brief(**fields: object) -> Act:
    """Answers of the brief set to what is given."""
    return lambda build: build.model_copy(update={"brief": _changed(build.brief, fields)})


def longest_club(player_id: str, club: Club) -> Act:
    """A player who swings nothing longer than `club`."""

    def done(build: Build) -> Build:
        players = _one_changed(build.brief.players, player_id, {"longest_club": club})
        return in_brief(players=players)(build)

    return done


def of_content(group: str, id: str, **fields: object) -> Act:
    """Fields of one thing in the room set to what is given; `group` is the room's own list that it stands in."""

    def done(build: Build) -> Build:
        return in_room(**{group: _one_changed(getattr(build.room, group), id, fields)})(build)

    return done


def stored_moved(id: str, *, playing: bool, across_m: float, along_m: float) -> Act:
    """A stored thing so far to the right and back, where it stands while people play or while nobody does."""

    def done(build: Build) -> Build:
        stored = next(one for one in build.room.stored if one.id == id)
        x_m, y_m = (stored.playing_at or (stored.x_m, stored.y_m)) if playing else (stored.x_m, stored.y_m)
        names = ("play_x_m", "play_y_m") if playing and stored.while_playing == "moved" else ("x_m", "y_m")
        there = _stored(x_m + across_m), _stored(y_m + along_m)
        return of_content("stored", id, **dict(zip(names, there, strict=True)))(build)

    return done


def under_plan(slot: Slot, plan: str) -> Act:
    """What hangs in `slot` under another plan of its maker."""
    return _hung_changed(slot, {"plan": plan})


def left_up(part: BayPart) -> Act:
    """A part of the bay stays where it is while the room serves for something else."""
    return lambda build: _with_layout(build, {"stays_up": (*build.layout.stays_up, part)})


def laid_on(part: str, zone: Rectangle) -> Act:
    """A covering as a further layer of the floor, on that zone."""

    def done(build: Build) -> Build:
        layer = Extra(
            id=free_id("extra", [extra.id for extra in build.extras]),
            part=part,
            laid=True,
            floor_x_m=_stored(zone.x0_m),
            floor_y_m=_stored(zone.y0_m),
            floor_width_m=_stored(zone.width_m),
            floor_length_m=_stored(zone.length_m),
        )
        return build.model_copy(update={"extras": (*build.extras, layer)})

    return done


def taken_down(part: str) -> Act:
    """A part of the bay does not stay up any more; of a bay that was up for good, all the rest does."""

    def done(build: Build) -> Build:
        up = build.layout.up_while_stowed(packed_away=build.brief.packed_away)
        stays_up = tuple(other for other in up if other != part)
        return in_brief(packed_away=True)(laid_out(stays_up=stays_up)(build))

    return done


def _hung_changed(slot: Slot, fields: Mapping[str, object]) -> Act:
    def done(build: Build) -> Build:
        hung: HungPart = build.chain[slot]
        return build.model_copy(update={"chain": {**build.chain, slot: _changed(hung, fields)}})

    return done


def _with_layout(build: Build, fields: Mapping[str, object]) -> Build:
    return build.model_copy(update={"layout": _changed(build.layout, fields)})


def _changed(record: R, fields: Mapping[str, Any]) -> R:
    return record.model_copy(update=dict(fields))


def _one_changed(records: tuple[Any, ...], id: str, fields: Mapping[str, object]) -> tuple[Any, ...]:
    return tuple(_changed(record, fields) if record.id == id else record for record in records)


def _stored(value: object) -> object:
    return round(value, STORED_DECIMALS) if isinstance(value, float) else value
