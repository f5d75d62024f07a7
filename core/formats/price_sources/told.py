"""One thing as a source tells of it, whatever form the source has."""

import re
from collections.abc import Mapping
from dataclasses import dataclass

from price_parser import Price as ParsedPrice

from core.model.parts.price import Price
from core.model.shops import SoldAs
from core.quantities.money import DECIMALS_BY_CURRENCY, SYMBOLS

MOST_THINGS = 5000
"""Of one source; more is no shop for golf at home."""
MOST_TEXT = 120
MOST_MINOR = 10**12
MINUS = frozenset("-−–")
FIELDS: Mapping[str, tuple[str, ...]] = {
    "key": ("sku", "id", "productid", "article", "mpn", "gtin", "gtin13"),
    "name": ("name", "title", "item", "product", "description"),
    "maker": ("maker", "brand", "manufacturer"),
    "price": ("price", "saleprice", "amount"),
    "regular": ("regular", "regularprice", "listprice", "was"),
    "currency": ("currency", "pricecurrency"),
    "tax": ("tax", "valueaddedtaxincluded", "taxincluded"),
    "stock": ("availability", "stock", "instock"),
    "condition": ("condition", "itemcondition", "state", "soldas"),
    "delivery": ("delivery", "shippingclass", "bulky"),
    "address": ("link", "url", "address"),
}
"""What a source may call each thing that is told, in small letters without spaces."""
_SPACE = re.compile(r"\s+")
_NOT_A_NAME = re.compile(r"[\s_-]+")
_SOLD_OUT = frozenset({"outofstock", "soldout", "discontinued", "no", "false", "0", "none", "backorder"})
_NO_TAX = frozenset({"false", "no", "0", "excluded", "without", "net"})
_BULKY = frozenset({"bulky", "freight", "oversize", "pallet", "yes", "true", "1"})


@dataclass(frozen=True)
class Told:
    """What a source says of one thing."""

    key: str
    """What the shop knows it by; its name, where it has no number."""
    name: str
    maker: str
    price: Price | None
    """Of one; `None` where the source does not say it in figures."""
    regular_minor: int | None = None
    """What it asks when there is no sale; `None` where there is none."""
    in_stock: bool = True
    sold_as: SoldAs = SoldAs.NEW
    bulky: bool | None = None
    address: str = ""
    problem: str = ""
    """Why nothing can be kept of it."""

    @property
    def called(self) -> str:
        """Maker and name, as a person would say it."""
        known = self.maker.casefold() in self.name.casefold()
        return self.name if known else f"{self.maker} {self.name}".strip()


def named_fields(row: Mapping[str, object]) -> dict[str, str]:
    """What a row says, under our names; of several that mean one thing the first in our order counts."""
    by_name = {_NOT_A_NAME.sub("", str(name)).casefold(): value for name, value in row.items()}
    found: dict[str, str] = {}
    for field, names in FIELDS.items():
        value = next((by_name[name] for name in names if by_name.get(name) not in (None, "", [], {})), None)
        if value is not None:
            found[field] = _text(value)
    return found


def thing_from(fields: Mapping[str, str], currency: str, tax_included: bool) -> Told:
    """The thing that `fields`, by our names, tell of. `currency` and tax are the shop's own, where it does not say."""
    name = fields.get("name", "")
    price, problem = _price(fields, currency, tax_included)
    if not name:
        problem = "It has no name."
    return Told(
        key=fields.get("key") or name,
        name=name,
        maker=fields.get("maker", ""),
        price=price,
        regular_minor=_regular(fields, price),
        in_stock=_last_word(fields.get("stock", "")) not in _SOLD_OUT,
        sold_as=_sold_as(f"{fields.get('condition', '')} {name}"),
        bulky=_last_word(fields["delivery"]) in _BULKY if "delivery" in fields else None,
        address=fields.get("address", ""),
        problem=problem,
    )


def _text(value: object) -> str:
    """What is told of something, on one line; the name, where it is told as a thing of its own."""
    if isinstance(value, list):
        value = value[0] if value else ""
    if isinstance(value, Mapping):
        value = value.get("name") or value.get("@id") or ""
    if isinstance(value, bool):
        return "yes" if value else "no"
    printable = "".join(sign if sign.isprintable() else " " for sign in str(value)[: 4 * MOST_TEXT])
    return _SPACE.sub(" ", printable).strip()[:MOST_TEXT]


def _price(fields: Mapping[str, str], currency: str, tax_included: bool) -> tuple[Price | None, str]:
    typed = fields.get("price", "")
    named = _currency(fields.get("currency", ""), typed, currency)
    if named is None:
        return None, f"Its currency is '{fields.get('currency', '')[:10]}', which is not known."
    minor = _minor(typed, named)
    if minor is None:
        return None, f"Its price is '{typed[:40]}', which is no amount." if typed else "It has no price."
    tax = fields.get("tax", "").casefold() not in _NO_TAX if "tax" in fields else tax_included
    return Price(minor=minor, currency=named, tax_included=tax), ""


def _currency(told: str, price: str, shops_own: str) -> str | None:
    """The currency that is named, else the one whose sign stands in the price, else the shop's; `None` for another."""
    if told:
        return told.upper() if told.upper() in DECIMALS_BY_CURRENCY else None
    own_sign = SYMBOLS.get(shops_own)
    if own_sign and own_sign in price:
        return shops_own
    return next((named for named, sign in SYMBOLS.items() if sign in price), shops_own)


def _minor(typed: str, currency: str) -> int | None:
    """What the library reads of it, in minor units; `None` for no amount, or one beyond all sense."""
    amount = ParsedPrice.fromstring(typed).amount
    if amount is None or not amount.is_finite() or typed.lstrip()[:1] in MINUS:
        return None
    minor = round(amount.scaleb(DECIMALS_BY_CURRENCY[currency]))
    return minor if 0 < minor <= MOST_MINOR else None


def _regular(fields: Mapping[str, str], price: Price | None) -> int | None:
    if price is None or "regular" not in fields:
        return None
    minor = _minor(fields["regular"], price.currency)
    return minor if minor is not None and minor > price.minor else None


def _last_word(told: str) -> str:
    """Vocabularies are told as addresses: `https://schema.org/InStock`."""
    return _NOT_A_NAME.sub("", told.rsplit("/", 1)[-1]).casefold()


def _sold_as(told: str) -> SoldAs:
    words = told.casefold()
    if re.search(r"\bex.display|\bdisplay (model|piece)", words):
        return SoldAs.EX_DISPLAY
    if "refurbished" in words:
        return SoldAs.REFURBISHED
    return SoldAs.USED if re.search(r"\bused|usedcondition|second.?hand", words) else SoldAs.NEW
