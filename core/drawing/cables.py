"""The machine, and the way of the picture's cable."""

from core.drawing.shapes import Handle, Layer, Shape, View
from core.geometry.cable_route import CableRoute, Point3

VIEWS: tuple[View, View] = ("floor", "section")


def machine_shapes(at: Point3) -> list[Shape]:
    """Where the machine stands."""
    x, y, z = at
    spots = ((y, x), (y, z))
    return [
        Shape(view, "machine", (spot,), False, label="machine", layer=Layer.CABLES)
        for view, spot in zip(VIEWS, spots, strict=True)
    ]


def machine_handle(at: Point3) -> Handle:
    """It is dragged on the floor plan."""
    x, y, _ = at
    return Handle("floor", "machine", "Machine", (y, x), "machine_y_m", "machine_x_m")


def cable_shapes(route: CableRoute) -> list[Shape]:
    """The way as one sees it from above and from the side; what runs straight up is a point there."""
    ways = ([(y, x) for x, y, _ in route.points], [(y, z) for _, y, z in route.points])
    return [Shape(view, "cable", tuple(way), False, layer=Layer.CABLES) for view, way in zip(VIEWS, ways, strict=True)]
