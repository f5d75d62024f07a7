"""Software, projector and screen each have a shape: how well the three go together."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.figures import share, stated_input
from core.checks.limits import at_least
from core.checks.places import between
from core.checks.readings import aspect_of, clear_area_m
from core.checks.register import check
from core.checks.verdict import Answer, Basis
from core.geometry.picture import fit_shape, raster_around
from core.model.build import Slot
from core.model.facts import known, known_some
from core.model.parts import PictureSurface, Projector, Shape, Title
from core.quantities import Unit, say

LEAST = 0.5
COMFORTABLE = 0.75
"""Three quarters of screen and panel are what 4:3 gives between a square screen and a wide panel (trade)."""


@dataclass(frozen=True)
class ShapeFill:
    """What one shape fills, as shares of screen and panel."""

    shape: Shape
    screen: float
    panel: float

    @property
    def poorer(self) -> float:
        """The smaller of the two."""
        return min(self.screen, self.panel)


@check("picture.joint", title="Shapes of software, projector and screen", place=between(Slot.DISPLAY, Slot.SCREEN))
def joint(
    title: Annotated[Title, "shapes"],
    projector: Annotated[Projector, "height_px", "width_px"],
    screen: Annotated[PictureSurface, "border_m", "height_m", "width_m"],
) -> Answer:
    """For each shape that the software draws, what it fills of the screen and of the panel; the best of them decides.

    The best is the one whose poorer fill is the largest: 16:9 on a square fills 56.25 % of it and all of a wide panel,
    4:3 fills 75 % of both. Half is the least, three quarters comfortable (trade).
    """
    width_m, height_m = clear_area_m(screen)
    panel_aspect = known(projector, "width_px") / known(projector, "height_px")
    fills = [_fill(shape, width_m, height_m, panel_aspect) for shape in known_some(title, "shapes")]
    best = max(fills, key=lambda fill: (fill.poorer, fill.screen + fill.panel))
    return Answer(
        at_least(best.poorer, LEAST, COMFORTABLE, Unit.SHARE),
        headline=lambda: say(
            "{shape} fills {screen} of the screen and {panel} of the panel",
            shape=best.shape,
            screen=share(best.screen),
            panel=share(best.panel),
        ),
        formula="for each shape the smaller of: picture / clear screen, picture / raster; the largest of these",
        inputs=lambda: (
            *(stated_input(f"{fill.shape} fills of screen", share(fill.screen)) for fill in fills),
            *(stated_input(f"{fill.shape} fills of panel", share(fill.panel)) for fill in fills),
        ),
        cures=lambda: (
            say("A screen nearer to {shape}, or software that draws the screen's shape.", shape=best.shape)
            if best.screen <= best.panel
            else say("A panel nearer to {shape}.", shape=best.shape),
        ),
        basis=Basis.PHYSICS,
    )


def _fill(shape: Shape, width_m: float, height_m: float, panel_aspect: float) -> ShapeFill:
    wide_m, high_m = fit_shape(aspect_of(shape), width_m, height_m)
    raster = raster_around(wide_m, high_m, panel_aspect)
    return ShapeFill(shape, wide_m * high_m / (width_m * height_m), raster.panel_fill)
