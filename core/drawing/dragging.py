"""Where a drag takes things: fields of the layout or of what is in the room, within the room and to the centimetre."""

from typing import NamedTuple

from core.drawing.shapes import Scene, View

DRAG_STEP_M = 0.01
"""Nobody drags finer; what is typed is kept to the tenth of a millimetre."""


class NoHandle(LookupError):
    """Nothing of that name can be dragged in that view."""


class Drag(NamedTuple):
    """A handle of the drawing, by its view and target, and where the pointer is, in metres of that view."""

    view: View
    target: str
    u_m: float
    v_m: float


def fields_dragged(scene: Scene, drag: Drag) -> dict[str, float]:
    """What is changed by dragging a handle of `scene`, by field, in metres. Raises `NoHandle`."""
    handle = next((one for one in scene.handles if (one.view, one.target) == (drag.view, drag.target)), None)
    if handle is None:
        raise NoHandle(f"There is no '{drag.target}' to drag on the {drag.view}.")
    most_v_m = scene.width_m if drag.view == "floor" else scene.height_m
    changes = {
        handle.u_field: _settled(drag.u_m, 0.0, scene.length_m, handle.u_reach_m, handle.u_origin_m),
        handle.v_field: _settled(
            drag.v_m, min(handle.v_least_m, most_v_m), most_v_m, handle.v_reach_m, handle.v_origin_m
        ),
    }
    return {field: value for field, value in changes.items() if field}


def _settled(at_m: float, least_m: float, most_m: float, reach_m: float, origin_m: float) -> float:
    """How far a handle dragged to `at_m` is from where its field counts from."""
    steps = round(min(max(at_m, least_m), most_m) / DRAG_STEP_M)
    # What is larger than the room begins at its wall.
    within_m = max(min(steps * DRAG_STEP_M, most_m - reach_m), reach_m)
    return max(0.0, within_m - origin_m)
