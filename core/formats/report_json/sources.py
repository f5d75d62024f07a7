"""What a source of prices was understood to tell, as JSON."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from core.formats.price_sources.reader import Form
from core.formats.price_sources.told import Told


@dataclass(frozen=True, slots=True)
class ToldJson:
    """One thing that a source tells of."""

    key: str
    """The shop's number of it."""
    called: str
    price: str
    """As it was understood; empty where it was not."""
    condition: str
    in_stock: bool
    part: str
    """What it is taken to be; empty where it was not recognised."""
    problem: str


@dataclass(frozen=True, slots=True)
class UnderstoodJson:
    """A source as it was understood."""

    address: str
    form: str
    things: list[ToldJson]


def understood_json(address: str, form: Form, things: Sequence[Told], parts: Mapping[str, str]) -> UnderstoodJson:
    """`things` that stand at `address`; `parts` are what they are taken to be, by the shop's number."""
    return UnderstoodJson(address, form.value, [_told_json(one, parts.get(one.key, "")) for one in things])


def _told_json(one: Told, part: str) -> ToldJson:
    return ToldJson(
        key=one.key,
        called=one.called,
        price=one.price.told if one.price else "",
        condition=one.sold_as.value,
        in_stock=one.in_stock,
        part=part,
        problem=one.problem,
    )
