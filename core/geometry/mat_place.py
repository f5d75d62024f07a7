"""Where a mat lies: its middle under the ball, unless a wall is in its way."""


def middle_between(ball_m: float, size_m: float, room_m: float) -> float:
    """Along one axis, the middle of a mat so large nearest to the ball that keeps it between 0 and the far wall.

    A mat of 1.5 m with the ball 0.6 m from a wall is moved by 0.15 m; one larger than the room lies half beyond each.

    >>> middle_between(0.6, 1.5, 4.0), middle_between(2.0, 1.5, 4.0), middle_between(0.6, 5.0, 4.0)
    (0.75, 2.0, 2.0)
    """
    if size_m >= room_m:
        return room_m / 2
    return min(max(ball_m, size_m / 2), room_m - size_m / 2)
