"""What typing would put outside the room: refused, unless it sticks out through a door."""

from collections.abc import Iterator, Mapping
from typing import NamedTuple

from core.geometry.boxes import Box
from core.geometry.through import door_for, walls_passed
from core.model.modes import KeptClear
from core.model.room import Content, Room
from core.model.things import Opening, Socket, Stored, Thing
from core.model.typed import FieldErrors
from core.quantities import UnitSystem, format_length
from core.quantities.tolerances import TOUCHING_M


class Span(NamedTuple):
    """What lies along one way of the room, by the fields it is typed in."""

    place: str
    at_m: float
    size: str
    """Empty where it has none."""
    size_m: float
    most_m: float
    """How far the room goes that way."""

    @property
    def is_outside(self) -> bool:
        """It begins before the wall, or ends beyond the other."""
        return self.at_m < -TOUCHING_M or self.at_m + self.size_m > self.most_m + TOUCHING_M


def refuse_outside(room: Room, content: Content, changes: Mapping[str, object], units: UnitSystem) -> None:
    """Raise `FieldErrors` where what was typed for `content` puts it outside `room`.

    What was outside already, since the room was measured smaller, is told by the checks.
    """
    wrong = []
    for span in _spans(content, room):
        typed = next((field for field in (span.place, span.size) if field in changes), None)
        if typed is None or not span.is_outside or _goes_through_a_door(content, room):
            continue
        most_m = max(0.0, span.most_m - (span.size_m if typed == span.place else max(span.at_m, 0.0)))
        accepted = f"inside the room, which is {format_length(span.most_m, units)} that way: up to "
        wrong.append((typed, changes[typed], accepted + format_length(most_m, units)))
    if wrong:
        raise FieldErrors(wrong)


def _spans(content: Content, room: Room) -> Iterator[Span]:
    if isinstance(content, Opening | Socket):
        most_m = room.length_m if content.wall.runs_along else room.width_m
        size, size_m = ("width_m", content.width_m) if isinstance(content, Opening) else ("", 0.0)
        yield Span("along_m", content.along_m, size, size_m, most_m)
    elif isinstance(content, Thing | Stored | KeptClear):
        for x, y in PLACES[type(content)]:
            for place, size, most_m in ((x, "width_m", room.width_m), (y, "length_m", room.length_m)):
                at_m = getattr(content, place)
                if at_m is not None:
                    yield Span(place, at_m, size, getattr(content, size), most_m)


PLACES: Mapping[type, tuple[tuple[str, str], ...]] = {
    Thing: (("x_m", "y_m"), ("new_x_m", "new_y_m")),
    Stored: (("x_m", "y_m"), ("play_x_m", "play_y_m")),
    KeptClear: (("x_m", "y_m"),),
}


def _goes_through_a_door(content: Content, room: Room) -> bool:
    """Wherever it stands, it leaves the room through doors alone."""
    if not isinstance(content, Stored):
        return False
    for x, y in ((content.x_m, content.y_m), content.playing_at or (content.x_m, content.y_m)):
        box = Box((x, y, 0.0), (x + content.width_m, y + content.length_m, content.height_m))
        if any(door_for(box, wall, room) is None for wall in walls_passed(box, room)):
            return False
    return True
