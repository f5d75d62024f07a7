"""The golfer's shadow on the picture, by similar triangles through the lens."""

from dataclasses import dataclass

from core.geometry.picture import Picture

HEAD_OVER_HEIGHT_M = 0.05
"""Hair, cap and the rise of a swing over the standing height (trade)."""
HEAD_HALF_WIDTH_M = 0.10


@dataclass(frozen=True)
class Lens:
    """Where the lens hangs: across, from the screen, and above the bare floor, in metres."""

    x_m: float
    distance_m: float
    height_m: float
    proposed: bool
    """Nobody placed it; this spot was proposed."""


def beam_floor_m(lens: Lens, picture: Picture, distance_m: float) -> float:
    """Height in metres of the beam's lower edge at `distance_m` from the screen."""
    return picture.bottom_m + (lens.height_m - picture.bottom_m) * distance_m / lens.distance_m


def beam_middle_m(lens: Lens, middle_m: float, distance_m: float) -> float:
    """The middle of the beam across the room in metres at `distance_m` from a picture that is centred at `middle_m`."""
    return middle_m + (lens.x_m - middle_m) * distance_m / lens.distance_m


def beam_half_width_m(lens: Lens, picture: Picture, distance_m: float) -> float:
    """Half the beam's width in metres at `distance_m` from the screen."""
    return picture.width_m / 2 * (1 - distance_m / lens.distance_m)


def shadow_share(
    lens: Lens, picture: Picture, middle_m: float, head_x_m: float, head_m: float, distance_m: float
) -> float:
    """How far up the picture a head's shadow reaches, as a share of picture height from 0 to 1.

    `head_m` is the top of the head above the bare floor, `distance_m` its distance from the screen; the picture is
    centred at `middle_m` across. There is no shadow behind the lens, under the beam, or beside it. Lens 3.2 m out and
    2.8 m up, picture from 0.2 to 2.2 m, head 1.85 m up and 3.0 m out: the beam's lower edge is at 2.6375 m there, so
    the head stays under it.

    >>> picture = Picture(2.6, 2.0, 0.2, "4:3", 1.0)
    >>> shadow_share(Lens(0.0, 3.2, 2.8, False), picture, 0.0, 0.0, 1.85, 3.0)
    0.0
    >>> round(shadow_share(Lens(0.0, 6.0, 2.4, False), picture, 0.0, 0.0, 1.85, 3.0), 2)
    0.55
    """
    if lens.distance_m <= distance_m or head_m <= beam_floor_m(lens, picture, distance_m):
        return 0.0
    if abs(head_x_m - beam_middle_m(lens, middle_m, distance_m)) - HEAD_HALF_WIDTH_M >= beam_half_width_m(
        lens, picture, distance_m
    ):
        return 0.0
    top_m = lens.height_m - (lens.height_m - head_m) * lens.distance_m / (lens.distance_m - distance_m)
    return min(1.0, max(0.0, (top_m - picture.bottom_m) / picture.height_m))
