"""The drawing of a build: as people play in it, and as it is stowed."""

from dataclasses import replace

from core.bay import Bay
from core.drawing.bay import beam_shapes, furniture_shapes, shadow_shapes
from core.drawing.cables import cable_shapes, machine_handle, machine_shapes
from core.drawing.dimensions import layout_dimensions, layout_handles, room_dimensions
from core.drawing.room import opening_shapes, room_shapes
from core.drawing.shapes import Scene, Shape
from core.drawing.swings import early_release_shapes, hitting_shapes, nearest_shapes, player_shapes
from core.drawing.things import (
    conflict_shapes,
    content_dimensions,
    content_handles,
    removed_shapes,
    solid_shapes,
    standing_shapes,
    zone_dimensions,
)
from core.geometry.cable_route import CableRoute, Point3
from core.geometry.ceiling import Ceiling
from core.geometry.conflicts import Conflict
from core.geometry.hitting_region import Area
from core.geometry.panels import Walls
from core.geometry.solids import Solid
from core.geometry.surroundings import Surroundings
from core.model.brief import Player
from core.model.modes import Mode
from core.model.room import Layout, Room


def scene_of(
    room: Room,
    layout: Layout,
    walls: Walls,
    players: tuple[Player, ...],
    bay: Bay,
    ceiling: Ceiling | None,
    hitting: tuple[Area, ...] = (),
    surroundings: Surroundings | None = None,
    contents: tuple[Solid, ...] = (),
    conflicts: tuple[Conflict, ...] = (),
    machine: Point3 | None = None,
    cable: CableRoute | None = None,
) -> Scene:
    """The drawing while people play; flat while the ceiling is not known."""
    shapes = [
        *room_shapes(room, layout, ceiling),
        *opening_shapes(room, walls),
        *hitting_shapes(hitting),
        *furniture_shapes(room, layout, bay),
        *removed_shapes(room),
        *solid_shapes(contents),
        *conflict_shapes(conflicts),
    ]
    for number, player in enumerate(players):
        own = (*player_shapes(player, layout, bay.surface_m), *early_release_shapes(player, layout, bay.surface_m))
        shapes += (replace(shape, player=number) for shape in own)
    if bay.lens and bay.picture:
        shapes += beam_shapes(bay.lens, bay.picture, room, layout)
        shapes += shadow_shapes(bay.lens, bay.picture, layout.bay_middle_m(room), layout, players, bay.surface_m)
    if machine is not None:
        shapes += machine_shapes(machine)
    if cable is not None:
        shapes += cable_shapes(cable)
    if surroundings is not None:
        shapes += nearest_shapes(surroundings)
    return Scene(
        length_m=room.length_m,
        width_m=room.width_m,
        height_m=_height_m(room, ceiling),
        shapes=tuple(shapes),
        dimensions=(
            *layout_dimensions(room, layout, bay),
            *content_dimensions(room, walls, playing=True),
        ),
        handles=(
            *layout_handles(room, layout, bay),
            *((machine_handle(machine),) if machine else ()),
            *content_handles(room, walls, playing=True),
        ),
    )


def stowed_scene_of(
    room: Room,
    layout: Layout,
    walls: Walls,
    ceiling: Ceiling | None,
    solids: tuple[Solid, ...],
    conflicts: tuple[Conflict, ...],
    mode: Mode | None = None,
) -> Scene:
    """The drawing while the room serves for something else: what it holds, and what of the bay stays up.

    In a `mode` it is drawn with what that keeps clear, whose places are typed there.
    """
    shapes: list[Shape] = [
        *room_shapes(room, layout, ceiling),
        *opening_shapes(room, walls),
        *removed_shapes(room),
        *solid_shapes(solids),
        *standing_shapes(solids),
        *conflict_shapes(conflicts),
    ]
    return Scene(
        length_m=room.length_m,
        width_m=room.width_m,
        height_m=_height_m(room, ceiling),
        shapes=tuple(shapes),
        dimensions=(
            *room_dimensions(room),
            *(content_dimensions(room, walls, playing=False) if mode is None else zone_dimensions(room, mode.id)),
        ),
        handles=tuple(content_handles(room, walls, playing=False)) if mode is None else (),
    )


def _height_m(room: Room, ceiling: Ceiling | None) -> float:
    sloped = ceiling is not None and not ceiling.is_flat
    return max(room.ceiling_m, room.ridge_m or 0.0) if sloped else room.ceiling_m
