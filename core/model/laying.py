"""Where on the floor a covering is laid: wall to wall, or on a rectangle of it."""

from typing import Annotated, NamedTuple

from pydantic import Field

from core.model.record import Metres, Record
from core.model.things import Size


class Rectangle(NamedTuple):
    """A rectangle of the floor, in metres from the left wall (x) and from the screen wall (y)."""

    x0_m: float
    y0_m: float
    x1_m: float
    y1_m: float

    @property
    def width_m(self) -> float:
        """Across the target line."""
        return max(0.0, self.x1_m - self.x0_m)

    @property
    def length_m(self) -> float:
        """Along the target line."""
        return max(0.0, self.y1_m - self.y0_m)

    @property
    def area_m2(self) -> float:
        """What it covers."""
        return self.width_m * self.length_m

    @property
    def middle(self) -> tuple[float, float]:
        """x and y of its middle."""
        return (self.x0_m + self.x1_m) / 2, (self.y0_m + self.y1_m) / 2

    def grown(self, by_m: float) -> "Rectangle":
        """The same, further by so much to every side."""
        return Rectangle(self.x0_m - by_m, self.y0_m - by_m, self.x1_m + by_m, self.y1_m + by_m)

    def holds(self, x_m: float, y_m: float) -> bool:
        """The point is in it, or on its edge."""
        return self.x0_m <= x_m <= self.x1_m and self.y0_m <= y_m <= self.y1_m


class Laid(Record):
    """Something that may cover a part of the floor; wall to wall, where nobody says which."""

    floor_x_m: Annotated[Metres, Field(ge=0, le=60)] | None = None
    """Where it begins, from the left wall; left empty, at that wall."""
    floor_y_m: Annotated[Metres, Field(ge=0, le=60)] | None = None
    """Where it begins, from the screen wall; left empty, at that wall."""
    floor_width_m: Size | None = None
    """How far it goes across; left empty, to the right wall."""
    floor_length_m: Size | None = None
    """How far it goes along the target line; left empty, to the rear wall."""
    floor_fixed: bool | None = None
    """Glued or taped down, so that it stays when its people move; left empty, as is usual for its kind."""

    @property
    def is_wall_to_wall(self) -> bool:
        """It covers the whole floor."""
        return (self.floor_x_m, self.floor_y_m, self.floor_width_m, self.floor_length_m) == (None,) * 4

    def zone_in(self, width_m: float, length_m: float) -> Rectangle:
        """What it covers of the floor of a room so wide and long: it ends at the walls."""
        x0_m, y0_m = self.floor_x_m or 0.0, self.floor_y_m or 0.0
        x1_m = width_m if self.floor_width_m is None else min(width_m, x0_m + self.floor_width_m)
        y1_m = length_m if self.floor_length_m is None else min(length_m, y0_m + self.floor_length_m)
        return Rectangle(x0_m, y0_m, x1_m, y1_m)
