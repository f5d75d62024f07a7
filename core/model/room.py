"""The room as measured, and where things stand in it.

Axes: x across, 0 at the left wall as one faces the target; y along the target line, 0 at the wall behind
the screen, growing toward the golfer; z up from the bare floor.
"""

from enum import StrEnum
from typing import Annotated, Self

from pydantic import Field, model_validator

from core.model.brief import Handedness
from core.model.laying import Laid
from core.model.modes import KeptClear, Mode
from core.model.record import Amperes, Lux, Metres, Name, PositiveMetres, Record, Several, Volts, Watts, Word
from core.model.things import BayPart, Circuit, Joists, Looked, Opening, Socket, Stored, Thing

MOST_THINGS = 60
MOST_MODES = 8
MOST_CIRCUITS = 12
Content = Thing | Opening | Socket | Stored | Mode | KeptClear | Circuit
"""What a room holds and is kept for, each with an id of its own."""


class Light(StrEnum):
    """How the room is lit while people play; a preset for the light that falls on the screen."""

    LAMP_ON_BALL = "lamp_on_ball"
    DIM = "dim"
    WORKING = "working"
    OPEN_DOOR = "open_door"

    @property
    def screen_lux(self) -> float:
        """Light on the screen in lux (trade)."""
        return {Light.LAMP_ON_BALL: 8.0, Light.DIM: 30.0, Light.WORKING: 120.0, Light.OPEN_DOOR: 500.0}[self]


class WallColour(StrEnum):
    """How much light the walls throw back."""

    DARK = "dark"
    MID = "mid"
    WHITE = "white"

    @property
    def reflectance(self) -> float:
        """As a share of one (trade)."""
        return {WallColour.DARK: 0.05, WallColour.MID: 0.3, WallColour.WHITE: 0.7}[self]


class Coldest(StrEnum):
    """How cold it is outside on the coldest days that people play."""

    WARM = "warm"
    COOL = "cool"
    FROST = "frost"
    HARD_FROST = "hard_frost"

    @property
    def celsius(self) -> float:
        """As is usual for such days (trade)."""
        return {Coldest.WARM: 15.0, Coldest.COOL: 5.0, Coldest.FROST: -5.0, Coldest.HARD_FROST: -15.0}[self]


class CeilingShape(StrEnum):
    """Flat; sloping, named by the wall it is high at; or ridged, named by how the ridge runs to the target line."""

    FLAT = "flat"
    HIGH_LEFT = "high_left"
    HIGH_RIGHT = "high_right"
    HIGH_SCREEN = "high_screen"
    HIGH_REAR = "high_rear"
    RIDGE_ALONG = "ridge_along"
    RIDGE_ACROSS = "ridge_across"


class FloorBase(StrEnum):
    """What is under the floor covering."""

    CONCRETE = "concrete"
    TIMBER = "timber"


class MatLies(StrEnum):
    """How a mat lies in the floor covering."""

    LET_IN = "let_in"
    ON_TOP = "on_top"


class Room(Record):
    """A rectangular room and what is in it."""

    name: Name = "The room"
    width_m: Annotated[Metres, Field(ge=1, le=60)] = 4.5
    length_m: Annotated[Metres, Field(ge=1, le=60)] = 6.0
    ceiling_m: Annotated[Metres, Field(ge=1.0, le=20)] = 2.75
    """Height of a flat ceiling; at the eaves, where it slopes."""
    ceiling_shape: CeilingShape = CeilingShape.FLAT
    ridge_m: Annotated[Metres, Field(ge=1.0, le=20)] | None = None
    """Highest point of a ceiling that slopes."""
    guessed: Several[Word] = ("width_m", "length_m", "ceiling_m")
    """Which of the measurements are still first guesses."""
    lining_m: PositiveMetres = 0.0
    """Thickness of what is fixed under the ceiling."""
    wall_foam_m: Annotated[PositiveMetres, Field(le=0.5)] = 0.0
    """Foam on the wall behind the screen; uses up the gap behind it."""
    light: Light | None = None
    """As somebody says that it is lit; left empty, it is worked out from lamps and windows."""
    wall_colour: WallColour | None = None
    measured_lux: Lux | None = None
    """Light on the screen as measured with a meter; stands before the preset."""
    things: Annotated[tuple[Thing, ...], Field(max_length=MOST_THINGS)] = ()
    openings: Annotated[tuple[Opening, ...], Field(max_length=MOST_THINGS)] = ()
    sockets: Annotated[tuple[Socket, ...], Field(max_length=MOST_THINGS)] = ()
    circuits: Annotated[tuple[Circuit, ...], Field(max_length=MOST_CIRCUITS)] = ()
    """Circuits beside the one that `breaker_a` protects."""
    joists: Joists | None = None
    mains_v: Volts | None = None
    """Voltage of the mains."""
    breaker_a: Amperes | None = None
    """Rating of the breaker that the sockets of this room hang on."""
    other_load_w: Watts = 0.0
    """What else runs on that breaker while people play."""
    floor_base: FloorBase | None = None
    """What the floor is, under any covering."""
    insulated: bool | None = None
    """Walls and roof keep the warmth."""
    coldest: Coldest | None = None
    """Outside, on the coldest days that people play."""
    none_of: Several[Looked] = ()
    """What somebody looked for, and the room has none of."""
    stored: Annotated[tuple[Stored, ...], Field(max_length=MOST_THINGS)] = ()
    """What the room must still hold, where it stands when nobody plays."""
    modes: Annotated[tuple[Mode, ...], Field(max_length=MOST_MODES)] = ()
    """What it is used for besides."""
    kept_clear: Annotated[tuple[KeptClear, ...], Field(max_length=MOST_THINGS)] = ()
    """What stays free in these modes."""

    @model_validator(mode="after")
    def _ridge_over_eaves(self) -> Self:
        if self.ridge_m is not None and self.ridge_m < self.ceiling_m:
            raise ValueError("ridge_m must not be lower than ceiling_m, the height at the eaves")
        return self

    @model_validator(mode="after")
    def _distinct_contents(self) -> Self:
        ids = [content.id for content in self.contents]
        if len(ids) != len(set(ids)):
            raise ValueError("two things in the room share an id; each needs an id of its own")
        return self

    @model_validator(mode="after")
    def _sockets_of_circuits(self) -> Self:
        circuits = {circuit.id for circuit in self.circuits}
        for socket in self.sockets:
            if socket.circuit is not None and socket.circuit not in circuits:
                raise ValueError(f"socket '{socket.id}' names circuit '{socket.circuit}'; the room has no such circuit")
        return self

    @model_validator(mode="after")
    def _zones_of_modes(self) -> Self:
        modes = {mode.id for mode in self.modes}
        for zone in self.kept_clear:
            if zone.mode not in modes:
                raise ValueError(f"kept_clear '{zone.id}' names mode '{zone.mode}'; the room has no such mode")
        return self

    @property
    def contents(self) -> "tuple[Content, ...]":
        """Everything in the room that has an id of its own."""
        things: tuple[Content, ...] = (*self.things, *self.openings, *self.sockets, *self.stored)
        return (*things, *self.modes, *self.kept_clear, *self.circuits)


class Layout(Laid):
    """Where the ball, the screen line, the projector and the monitor are, and how far the floor covering goes."""

    ball_x_m: Annotated[Metres, Field(ge=0, le=60)] = 2.25
    ball_y_m: Annotated[Metres, Field(ge=0, le=60)] = 3.6
    ball_placed: bool = True
    """Somebody put the ball there; until then it follows the room and the bay."""
    left_ball_x_m: Annotated[Metres, Field(ge=0, le=60)] | None = None
    """Where left-handers hit from, where that is a spot of their own; left empty, the same as everybody."""
    left_ball_y_m: Annotated[Metres, Field(ge=0, le=60)] | None = None
    screen_y_m: Annotated[Metres, Field(ge=0, le=60)] = 0.4
    """The gap behind the screen."""
    screen_x_m: Annotated[Metres, Field(ge=0, le=60)] | None = None
    """Middle of screen, picture and enclosure across the room; left empty, the middle of the room."""
    screen_bottom_m: Annotated[Metres, Field(ge=0, le=5)] = 0.0
    """Lower edge of the hanging screen above the bare floor."""
    lens_distance_m: Annotated[Metres, Field(gt=0, le=60)] | None = None
    """Projector lens to screen; left empty, a spot is proposed."""
    lens_x_m: Annotated[Metres, Field(ge=0, le=60)] | None = None
    """Projector lens across the room; left empty, before the middle of the bay."""
    lens_height_m: Annotated[Metres, Field(ge=0, le=20)] | None = None
    """Projector lens above the bare floor; left empty, a height is proposed."""
    monitor_distance_m: Annotated[Metres, Field(ge=0, le=10)] | None = None
    """Launch monitor to ball; left empty, the middle of what its maker states."""
    monitor_drop_m: Annotated[PositiveMetres, Field(le=5)] = 0.0
    """Drop rod of a monitor under the ceiling."""
    monitor_pad_m: Annotated[PositiveMetres, Field(le=0.5)] = 0.0
    """Height of what a floor-standing monitor stands on, above the bare floor."""
    mat_lies: MatLies | None = None
    """Let into the floor covering, on the bare floor of its cut-out; or on top of the covering."""
    machine_x_m: Annotated[Metres, Field(ge=0, le=60)] | None = None
    """Where the machine stands across the room; left empty, at the nearer side wall."""
    machine_y_m: Annotated[Metres, Field(ge=0, le=60)] | None = None
    """Where it stands along the room; left empty, beside the ball."""
    stays_up: Several[BayPart] = (BayPart.PROJECTOR,)
    """What of the bay stays where it is while the room serves for something else."""

    def up_while_stowed(self, *, packed_away: bool) -> tuple[BayPart, ...]:
        """What of the bay is where it is while the room serves for something else."""
        for_good = self.up_for_good(packed_away=packed_away)
        return tuple(part for part in BayPart if part in self.stays_up or part in for_good)

    def up_for_good(self, *, packed_away: bool) -> tuple[BayPart, ...]:
        """What nobody takes down: all that is built, of a bay that is not packed away after play."""
        return () if packed_away else tuple(part for part in BayPart if part.is_built)

    def bay_middle_m(self, room: Room) -> float:
        """Middle of screen, picture and enclosure across `room`, in metres."""
        return room.width_m / 2 if self.screen_x_m is None else self.screen_x_m

    def ball_of(self, hand: Handedness) -> tuple[float, float]:
        """Where the ball of players of this hand lies on the floor: x and y in metres."""
        if hand is Handedness.RIGHT:
            return self.ball_x_m, self.ball_y_m
        x_m, y_m = self.left_ball_x_m, self.left_ball_y_m
        return self.ball_x_m if x_m is None else x_m, self.ball_y_m if y_m is None else y_m

    @property
    def two_spots(self) -> bool:
        """Left-handers hit from a spot of their own."""
        return self.left_ball_x_m is not None or self.left_ball_y_m is not None
