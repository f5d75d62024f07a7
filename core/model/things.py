"""What is in the room besides the bay: obstructions, openings, sockets, joists, and things it must still hold."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from core.model.record import Amperes, Identifier, In, Metres, Name, Number, PositiveMetres, Record, Watts, Whole
from core.quantities import Unit

Place = Annotated[Metres, Field(ge=-60, le=60)]
"""May stick out through a door or a window, so it may begin before the wall; or the room was measured anew since."""
Size = Annotated[Metres, Field(ge=0.01, le=60)]


class FixedTo(StrEnum):
    """What holds a thing: there is nothing to pass between the two."""

    CEILING = "ceiling"
    WALL = "wall"
    FLOOR = "floor"


class Remedy(StrEnum):
    """What the household does about an obstruction."""

    KEEP = "keep"
    MOVE = "move"
    PAD = "pad"
    REMOVE = "remove"


class ThingKind(StrEnum):
    """The usual obstructions."""

    BEAM = "beam"
    RAIL = "rail"
    DUCT = "duct"
    LAMP = "lamp"
    OPENER = "opener"
    COLUMN = "column"
    SHELF = "shelf"
    RADIATOR = "radiator"
    HEATER = "heater"
    OTHER = "other"


class StoredKind(StrEnum):
    """What rooms usually have to hold besides."""

    CAR = "car"
    BOAT = "boat"
    BENCH = "bench"
    BICYCLES = "bicycles"
    FURNITURE = "furniture"
    GYM = "gym"
    BOXES = "boxes"


class WhilePlaying(StrEnum):
    """Where a stored thing is while people play."""

    OUT = "out"
    STAYS = "stays"
    MOVED = "moved"


class Wall(StrEnum):
    """The four walls, as one faces the target."""

    SCREEN = "screen"
    RIGHT = "right"
    REAR = "rear"
    LEFT = "left"

    @property
    def runs_along(self) -> bool:
        """It runs along the target line: its places count from the screen wall, others from the left wall."""
        return self in (Wall.LEFT, Wall.RIGHT)


class OpeningKind(StrEnum):
    """Windows and doors."""

    WINDOW = "window"
    DOOR = "door"


class Opens(StrEnum):
    """How a door or window opens: what a leaf sweeps of the room, or fills under its ceiling."""

    INWARD = "inward"
    OUTWARD = "outward"
    SLIDES = "slides"
    TILTS = "tilts"
    """Up and in, in one piece."""
    SECTIONAL = "sectional"
    """In sections, on rails under the ceiling."""
    ROLLS = "rolls"
    """Round a coil over the opening."""
    FOLDS = "folds"
    """To one side, into the room, in halves."""
    NOT = "not"

    @property
    def is_sprung(self) -> bool:
        """Springs and rails under load: a door company's work, whatever one's own skills."""
        return self in (Opens.TILTS, Opens.SECTIONAL, Opens.ROLLS)


class Looked(StrEnum):
    """What a room is looked through for. Nothing entered is not known, until somebody says that there is none."""

    THINGS = "things"
    OPENINGS = "openings"
    SOCKETS = "sockets"
    JOISTS = "joists"


class Guard(StrEnum):
    """What is between a window and a ball while people play."""

    NOTHING = "nothing"
    FILM = "film"
    NET = "net"


class Cover(StrEnum):
    """What is drawn before a window while people play."""

    NOTHING = "nothing"
    CURTAIN = "curtain"
    BLACKOUT = "blackout"


class BayPart(StrEnum):
    """What of the bay may stay up while the room serves for something else."""

    SCREEN = "screen"
    ENCLOSURE = "enclosure"
    PROJECTOR = "projector"
    MONITOR = "monitor"
    MAT = "mat"

    @property
    def is_built(self) -> bool:
        """Hung or put up, where a mat and a monitor are put away with a hand."""
        return self in (BayPart.SCREEN, BayPart.ENCLOSURE, BayPart.PROJECTOR)


class Thing(Record):
    """An obstruction: a box from its corner nearest to the left wall, the screen wall and the floor."""

    id: Identifier
    kind: ThingKind
    name: Name
    x_m: Place
    y_m: Place
    z_m: Annotated[Metres, Field(ge=0, le=20)]
    """Lower edge above the bare floor."""
    width_m: Size
    """Across the target line."""
    length_m: Size
    """Along the target line."""
    height_m: Size
    fixed_to: FixedTo
    decision: Remedy = Remedy.KEEP
    new_x_m: Place | None = None
    """Where it is moved to; what is left empty stays as it is."""
    new_y_m: Place | None = None
    new_z_m: Annotated[Metres, Field(ge=0, le=20)] | None = None
    lit: bool | None = None
    """Of a lamp: it is on while people play."""
    lumens: Annotated[Number, In(Unit.LUMEN), Field(gt=0, le=100_000)] | None = None
    """Of a lamp: its brightness."""
    burns_fuel: bool | None = None
    """Of a heater: it burns gas, oil or wood in the room."""

    @property
    def counts_at(self) -> tuple[float, float, float]:
        """The corner that counts: the new one, as far as it is known, where a move is decided."""
        if self.decision is Remedy.MOVE:
            new = (self.new_x_m, self.new_y_m, self.new_z_m)
            x, y, z = (old if at is None else at for at, old in zip(new, (self.x_m, self.y_m, self.z_m), strict=True))
            return x, y, z
        return self.x_m, self.y_m, self.z_m


class Stored(Record):
    """Something that the room must still hold, standing on the floor."""

    id: Identifier
    kind: StoredKind
    name: Name
    x_m: Place
    y_m: Place
    width_m: Size
    """Across the target line."""
    length_m: Size
    """Along the target line."""
    height_m: Size
    while_playing: WhilePlaying = WhilePlaying.OUT
    play_x_m: Place | None = None
    """Where it stands while people play, where it is moved for that."""
    play_y_m: Place | None = None

    @property
    def playing_at(self) -> tuple[float, float] | None:
        """x and y of its corner while people play; `None` while it is out of the room."""
        if self.while_playing is WhilePlaying.OUT:
            return None
        if self.while_playing is WhilePlaying.STAYS:
            return self.x_m, self.y_m
        return (
            self.x_m if self.play_x_m is None else self.play_x_m,
            self.y_m if self.play_y_m is None else self.play_y_m,
        )


class Opening(Record):
    """A window or a door in a wall."""

    id: Identifier
    kind: OpeningKind
    name: Name
    wall: Wall
    along_m: Place
    """Where it begins: from the screen wall in a side wall, from the left wall in the others."""
    width_m: Size
    height_m: Size
    sill_m: Annotated[PositiveMetres, Field(le=10)] = 0.0
    opens: Opens = Opens.INWARD
    hinge_far: bool = False
    """The hinges are at the end that is further from where `along_m` counts from."""
    open_while_playing: bool = False
    """It stands open while people play."""
    guard: Guard | None = None
    """What guards a window: nothing, safety film with a shutter or heavy curtain, or netting or board."""
    glazed: bool | None = None
    """Of a door: there is glass in it."""
    cover: Cover | None = None
    """What keeps its daylight out while people play."""


class Socket(Record):
    """A mains socket in a wall."""

    id: Identifier
    name: Name
    wall: Wall
    along_m: Place
    height_m: Annotated[PositiveMetres, Field(le=10)] = 0.3
    outlets: Annotated[Whole, In(Unit.PIECES), Field(ge=1, le=12)] = 1
    """Plugs that it takes."""
    circuit: Identifier | None = None
    """Which circuit it hangs on; left empty, the one whose breaker is entered with the room."""


class Circuit(Record):
    """A further circuit of the mains that reaches this room, with a breaker of its own."""

    id: Identifier
    name: Name
    breaker_a: Amperes | None = None
    """Rating of its breaker."""
    other_load_w: Watts = 0.0
    """What else runs on it while people play."""


class Joists(Record):
    """What carries the ceiling and takes fixings."""

    along: bool = False
    """They run along the target line; otherwise across it."""
    first_m: Annotated[PositiveMetres, Field(le=5)] = 0.2
    """The middle of the first one from the left wall, or from the screen wall where they run across."""
    spacing_m: Annotated[Metres, Field(ge=0.1, le=3)] = 0.6
