"""Shanks past the bay: what screen, sides and netting let through (physics; what is put up with is trade)."""

from dataclasses import dataclass
from typing import Annotated

from core.bay import Bay, Hood, hood_solids
from core.bay.bay import NETTING, side_of
from core.bay.bodies import SHEET_M
from core.checks.asks import ask_at_least
from core.checks.figures import in_a_row, share, stated_input
from core.checks.limits import ENDLESS, at_most
from core.checks.needs import ItemKind, Need, pieces
from core.checks.places import on
from core.checks.readings import Balls, BayMiddle, hands_that_play
from core.checks.register import check, derive
from core.checks.verdict import Answer, Basis, Input
from core.geometry.boxes import between
from core.geometry.shanks import Rectangle, open_share, panel_for
from core.geometry.solids import Material
from core.model.brief import Brief, Handedness
from core.model.build import Slot
from core.model.facts import known, known_players
from core.model.kit import Beside
from core.model.parts import Enclosure, KitPiece, SideProtection, Surface
from core.model.room import Layout
from core.model.things import BayPart
from core.quantities import Sentence, Unit, say
from core.quantities.tolerances import rounded_up

SHANKS_MOST, SHANKS_COMFORTABLE = 0.20, 0.01
"""Of the shanks, what may fly past beside the bay (trade)."""


class SideNetting(Need):
    """What closes the sides that shanks fly to."""

    item = ItemKind(
        "side-netting", "Netting beside the bay", near=Slot.SCREEN, kind=SideProtection, asks=("width_m", "height_m")
    )


@dataclass(frozen=True)
class ShankSides:
    """Of each hand that plays, the share of shanks that screen and enclosure let past, and the panel to stop them."""

    open: tuple[tuple[Handedness, float, Rectangle | None], ...]


@derive
def shank_sides(
    brief: Annotated[Brief, "players", "visitors"],
    balls: Balls,
    surface: Annotated[Surface, "height_m", "width_m"],
    enclosure: Annotated[Enclosure, "sides"] | None,
    hood: Hood | None,
    middle: BayMiddle,
    layout: Annotated[Layout, "screen_bottom_m", "screen_y_m"],
) -> ShankSides:
    """Straight ways off the hosel against screen and sides; a panel goes on where these end."""
    known_players(brief)
    if enclosure is not None:
        known(enclosure, "sides")
    half_m = known(surface, "width_m") / 2
    screen = between(
        (middle.x_m - half_m, middle.x_m + half_m),
        (layout.screen_y_m - SHEET_M / 2, layout.screen_y_m + SHEET_M / 2),
        (layout.screen_bottom_m, layout.screen_bottom_m + known(surface, "height_m")),
    )
    panels = hood_solids(hood, layout.screen_y_m, middle.x_m) if hood and hood.sides else ()
    stops = [screen, *(panel.box for panel in panels)]
    beside_m, from_y_m = side_of(hood, half_m, layout.screen_y_m)
    told = []
    for hand in hands_that_play(brief):
        side = 1 if hand is Handedness.RIGHT else -1
        panel = panel_for(balls.of(hand), hand, stops, middle.x_m + side * beside_m, from_y_m)
        told.append((hand, open_share(balls.of(hand), hand, stops), panel))
    return ShankSides(tuple(told))


@derive
def side_netting(
    surface: Annotated[Surface, "height_m"],
    enclosure: Annotated[Enclosure, "leaves_out"] | None,
    sides: ShankSides,
) -> SideNetting | None:
    """On the shank side of each hand that plays, as large as what screen and enclosure let past; cloth of its own that
    an enclosure leaves out closes that first."""
    if enclosure is not None and KitPiece.CLOTH in (enclosure.leaves_out or ()):
        return None
    past = [(hand, panel) for hand, share, panel in sides.open if share > SHANKS_COMFORTABLE]
    open_to = [(hand, panel) for hand, panel in past if panel is not None]
    if not open_to or len(open_to) < len(past):
        return None
    asks = (
        ask_at_least("width_m", rounded_up(max(panel.length_m for _, panel in open_to))),
        ask_at_least("height_m", rounded_up(min(known(surface, "height_m"), max(p.height_m for _, p in open_to)))),
    )
    hands = tuple(hand for hand, _ in open_to)
    return SideNetting(pieces(len(hands)), say("A shank flies to the {sides}", sides=_sides(hands)), asks)


@check("screen.sides", title="Protection beside the bay", place=on(Slot.SCREEN))
def sides(
    brief: Annotated[Brief, "visitors"],
    open_sides: ShankSides,
    need: SideNetting | None,
    netting: Annotated[Beside[SideProtection], "height_m", "width_m"],
    balls: Balls,
    bay: Bay,
) -> Answer:
    """A shank flies right off a right-hander's club and left off a left-hander's: that side is closed.

    Straight ways 25° to 65° aside and up to 20° up, each as often: what neither the screen nor the enclosure's sides
    nor netting beside the bay stops. Up to 1 % is clear, up to 20 % tight; more blocks where visitors play, whose
    shanks are many, and is tight among people who know theirs (trade).
    """
    for net in netting:
        known(net, "width_m")
        known(net, "height_m")
    standing = [solid.box for solid in bay.of(BayPart.SCREEN, NETTING)]
    standing += [solid.box for solid in bay.of(BayPart.ENCLOSURE) if solid.material is Material.FABRIC]
    past = {hand: open_share(balls.of(hand), hand, standing) for hand, _, _ in open_sides.open}
    worst = max(past, key=lambda hand: past[hand])
    limit = at_most(
        past[worst],
        SHANKS_MOST,
        SHANKS_COMFORTABLE,
        Unit.SHARE,
        tolerated=0.0 if brief.visitors else ENDLESS,
    )
    return Answer(
        limit,
        headline=lambda: say(
            "{share} of shanks to the {side} fly past the bay", share=limit.has, side=_sides((worst,))
        ),
        formula="ways 25°–65° aside and 0°–20° up that miss screen, sides and netting / all of them",
        inputs=lambda: (
            *(Input(f"To the {_sides((hand,))}", share(passing), Basis.PHYSICS) for hand, passing in past.items()),
            stated_input("Netting", in_a_row(net.name for net in netting)),
        ),
        cures=lambda: (
            *((_told(need),) if need else ()),
            say("A deeper enclosure catches more, and so does a lower edge of the screen at the floor."),
        ),
        basis=Basis.TRADE,
    )


def _told(need: SideNetting) -> Sentence:
    return say(
        "Hang netting {length} long and {height} high on each open side.",
        length=need.ask("width_m").wants(SideProtection),
        height=need.ask("height_m").wants(SideProtection),
    )


def _sides(hands: tuple[Handedness, ...]) -> str:
    return in_a_row(hand.value for hand in hands)
