"""What the room is used for besides playing and storing, and what must stay free of everything then."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from core.model.record import Identifier, Metres, Name, Record, Several
from core.model.things import BayPart, Place, Size


class ModeKind(StrEnum):
    """The usual uses of a room that has a bay."""

    FILMS = "films"
    GYM = "gym"
    VEHICLE = "vehicle"
    SPECTATORS = "spectators"
    OTHER = "other"


class ClearKind(StrEnum):
    """What a zone is kept clear for."""

    PEOPLE = "people"
    SEATS = "seats"
    OPEN_FLOOR = "open_floor"
    WAY = "way"

    @property
    def holds_people(self) -> bool:
        """Somebody stands or sits there for as long as the mode lasts."""
        return self in (ClearKind.PEOPLE, ClearKind.SEATS)


class Mode(Record):
    """One use of the room: whether people play meanwhile, what of the bay is up, and what is out of the room."""

    id: Identifier
    kind: ModeKind
    name: Name
    plays: bool = False
    """Somebody swings meanwhile: all of the bay is up, and what is stored is where it is while people play."""
    stays_up: Several[BayPart] = ()
    """What of the bay is up while nobody plays."""
    out: Several[Identifier] = ()
    """What of the stored things is out of the room."""


class KeptClear(Record):
    """A zone of the floor that stays free in a mode, up to a height."""

    id: Identifier
    kind: ClearKind
    name: Name
    mode: Identifier
    x_m: Place
    y_m: Place
    width_m: Size
    """Across the target line."""
    length_m: Size
    """Along the target line."""
    height_m: Annotated[Metres, Field(ge=0.2, le=10)]
    """What is above it is in nobody's way."""
