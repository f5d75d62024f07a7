"""Baskets as JSON."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field

from core.formats.report_json.figures import FigureJson, figure_json, signed_money_json
from core.formats.report_json.shops import OrderJson, order_json
from core.money.basket import Basket, Baskets
from core.money.kit_or_own import KitOrOwn
from core.quantities import UnitSystem


@dataclass(frozen=True, slots=True)
class BasketJson:
    """A basket: an order for each shop, what it comes to, and the offers that taking it takes."""

    title: str
    orders: list[OrderJson]
    total: FigureJson
    more: FigureJson | None
    """By how much it is dearer than the best; nothing for one that is as cheap."""
    choices: dict[str, str]
    """Offers by line."""


@dataclass(frozen=True, slots=True)
class HeldJson:
    """One thing that a kit holds."""

    name: str
    quantity: int
    single: FigureJson
    wanted: bool
    """The build still needs it."""


@dataclass(frozen=True, slots=True)
class KitJson:
    """A kit of a shop, broken up, and the same lines bought singly."""

    shop: str
    name: str
    headline: str
    held: list[HeldJson]
    left_out: list[str]
    """What the kit leaves to the buyer, of the same categories; in both totals."""
    without: list[str]
    """What nobody offers: in neither."""
    kit: FigureJson
    own: FigureJson


@dataclass(frozen=True, slots=True)
class BasketsJson:
    """The best basket, and those beside it."""

    baskets: list[BasketJson]
    without: list[str]
    """What the lines are called that no offer is there for."""
    notes: list[str]
    """Shops that could not be looked at, and why; and that none has everything."""
    kits: list[KitJson] = field(default_factory=list)


def baskets_json(
    found: Baskets, kits: Iterable[KitOrOwn], labels: Mapping[str, str], names: Mapping[str, str], system: UnitSystem
) -> BasketsJson:
    """`found` for a reader; `labels` are those of the lines by key, `names` of the parts that kits hold, by id."""
    titled = {"The best basket": found.best, "One shop fewer": found.one_fewer, "All from one shop": found.one_shop}
    return BasketsJson(
        baskets=[
            _basket_json(title, basket, found.best, labels, system)
            for title, basket in titled.items()
            if basket is not None and found.best is not None
        ],
        without=[labels.get(line, line) for line in found.without],
        notes=[words.text(system) for words in found.notes],
        kits=[_kit_json(kit, labels, names, system) for kit in kits],
    )


def _kit_json(found: KitOrOwn, labels: Mapping[str, str], names: Mapping[str, str], system: UnitSystem) -> KitJson:
    return KitJson(
        shop=found.shop.name,
        name=found.bundle.name,
        headline=found.headline.text(system),
        held=[
            HeldJson(names.get(each.part, each.part), each.quantity, figure_json(each.single, system), each.wanted)
            for each in found.held
        ],
        left_out=[labels.get(line, line) for line in found.left_out],
        without=[labels.get(line, line) for line in found.without],
        kit=figure_json(found.kit.total, system),
        own=figure_json(found.own.total, system),
    )


def _basket_json(title: str, basket: Basket, best: Basket, labels: Mapping[str, str], system: UnitSystem) -> BasketJson:
    return BasketJson(
        title=title,
        orders=[order_json(order, labels, system) for order in basket.orders],
        total=figure_json(basket.total, system),
        more=signed_money_json(basket.total - best.total) if basket.total != best.total else None,
        choices=dict(basket.choices),
    )
