"""The swings: each player's disc, where it comes nearest to something, and an early release as its own line."""

from collections.abc import Iterator

from core.drawing.shapes import Layer, Shape
from core.geometry.hitting_region import Area
from core.geometry.shadow import HEAD_HALF_WIDTH_M, HEAD_OVER_HEIGHT_M
from core.geometry.surroundings import Surroundings
from core.geometry.swing_disc import swing_disc
from core.model.brief import Player
from core.model.reaches import Direction
from core.model.room import Layout


def player_shapes(player: Player, layout: Layout, surface_m: float) -> list[Shape]:
    """A player's disc with the longest club, and where the golfer stands."""
    disc = swing_disc(player, player.longest_club)
    (ball_x, ball_y), ball_z = layout.ball_of(player.handedness), surface_m
    above = tuple((ball_y + y, ball_x + x) for x, y, _ in disc.outline_m)
    section = tuple((ball_y + y, ball_z + z) for _, y, z in disc.outline_m)
    head_m = surface_m + player.height_m + HEAD_OVER_HEIGHT_M
    head_x_m = ball_x + disc.hub_x_m
    club = f"{player.name}, {player.longest_club}"
    return [
        Shape("floor", "swing-disc", above, True, player.id, club, Layer.SWINGS),
        Shape("section", "swing-disc", section, True, player.id, club, Layer.SWINGS),
        Shape("floor", "golfer", ((ball_y, head_x_m),), False, player.id, player.name, Layer.SWINGS),
        Shape(
            "section",
            "golfer",
            ((ball_y, head_m - HEAD_HALF_WIDTH_M),),
            False,
            player.id,
            player.name,
            Layer.SWINGS,
        ),
    ]


def early_release_shapes(player: Player, layout: Layout, surface_m: float) -> Iterator[Shape]:
    """How far the club reaches if the wrists unhinge early; none where that is the usual swing, or was measured."""
    if player.early_release or Direction.HEIGHT in swing_disc(player, player.longest_club).measured:
        return
    early = swing_disc(player.model_copy(update={"early_release": True}), player.longest_club)
    _, ball_y = layout.ball_of(player.handedness)
    points = tuple((ball_y + y, surface_m + z) for _, y, z in early.outline_m)
    label = f"{player.name}, early release"
    yield Shape("section", "swing-early", points, True, player.id, label, Layer.SWINGS)


def nearest_shapes(surroundings: Surroundings) -> Iterator[Shape]:
    """Where each player's longest club comes nearest to anything."""
    for player in surroundings.players:
        closest = surroundings.closest(player, player.longest_club)
        x, y, z = closest.at
        label = f"{player.name} nearest to the {closest.name}"
        yield Shape("floor", "nearest", ((y, x),), False, player.id, label, Layer.SWINGS)
        yield Shape("section", "nearest", ((y, z),), False, player.id, label, Layer.SWINGS)


def hitting_shapes(areas: tuple[Area, ...]) -> Iterator[Shape]:
    """Where the ball may be."""
    for outline, holes in areas:
        turned = tuple(tuple((y, x) for x, y in hole) for hole in holes)
        points = tuple((y, x) for x, y in outline)
        yield Shape("floor", "hitting-region", points, layer=Layer.HITTING, holes=turned)
