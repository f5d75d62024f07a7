"""A room with one measurement larger, and what is fixed to the ceiling or wall that moves."""

from enum import StrEnum

from core.geometry.solids import nearest_wall, thing_solids
from core.model.room import Room
from core.model.things import FixedTo, Thing, Wall


class Measurement(StrEnum):
    """What may grow."""

    WIDTH = "width"
    LENGTH = "length"
    CEILING = "ceiling"


def grown(room: Room, measurement: Measurement, more_m: float) -> Room:
    """`room` larger in one measurement; what is fixed to the ceiling or wall that moves goes with it."""
    if measurement is Measurement.CEILING:
        changes: dict[str, object] = {"ceiling_m": room.ceiling_m + more_m}
        if room.ridge_m is not None:
            changes["ridge_m"] = room.ridge_m + more_m
    else:
        field = f"{measurement}_m"
        changes = {field: getattr(room, field) + more_m}
    changes["things"] = tuple(_carried(thing, room, measurement, more_m) for thing in room.things)
    return room.model_copy(update=changes)


def _carried(thing: Thing, room: Room, measurement: Measurement, more_m: float) -> Thing:
    if measurement is Measurement.CEILING:
        if thing.fixed_to is FixedTo.CEILING:
            return thing.model_copy(update={"z_m": thing.z_m + more_m})
        return thing
    moving = Wall.RIGHT if measurement is Measurement.WIDTH else Wall.REAR
    if thing.fixed_to is FixedTo.WALL:
        solids = [solid for solid in thing_solids(room) if solid.key == f"things/{thing.id}"]
        if solids and nearest_wall(solids[0].box, room) is moving:
            field = "x_m" if moving is Wall.RIGHT else "y_m"
            return thing.model_copy(update={field: getattr(thing, field) + more_m})
    return thing
