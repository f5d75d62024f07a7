"""Pages that carry what they sell as structured data: Product and Offer of schema.org, as JSON-LD or as microdata."""

import logging
from collections.abc import Iterator, Mapping

from core.formats.errors import BadFile, FileError
from core.formats.price_sources.told import MOST_THINGS, Told, named_fields, thing_from

MOST_DEPTH = 12
"""How deep a product may stand in what a page tells."""


def read_page(content: bytes, currency: str, tax_included: bool) -> tuple[Told, ...]:
    """The things that a page tells of; each of its offers is one. Raises `BadFile`."""
    found = [
        thing_from(named_fields(fields), currency, tax_included)
        for product in _products(_structured(content))
        for fields in _offered(product)
    ]
    if not found:
        raise BadFile([FileError("page", "", "carries no product with an offer as structured data")])
    if len(found) > MOST_THINGS:
        raise BadFile([FileError("page", str(len(found)), f"at most {MOST_THINGS} things are read")])
    return tuple(found)


def _structured(content: bytes) -> list[object]:
    """What the library finds in a page; it is large, and loaded where pages are read alone."""
    import extruct

    logging.getLogger("extruct").setLevel(logging.CRITICAL)
    try:
        text = content.decode("utf-8", errors="replace").replace("\x00", "")
        found = extruct.extract(text, syntaxes=["json-ld", "microdata"], uniform=True, errors="ignore")
    except Exception as error:  # A page can be broken in more ways than its parsers name.
        raise BadFile([FileError("page", "", f"cannot be read: {type(error).__name__}")]) from error
    return [*found.get("json-ld", ()), *found.get("microdata", ())]


def _products(told: object, depth: int = 0) -> Iterator[Mapping[str, object]]:
    """Every product in what is told, wherever it stands."""
    if depth > MOST_DEPTH:
        return
    if isinstance(told, list):
        for one in told:
            yield from _products(one, depth + 1)
    elif isinstance(told, dict):
        kinds = told.get("@type", "")
        if "Product" in (kinds if isinstance(kinds, list) else [kinds]):
            yield told
        else:
            for inner in told.values():
                if isinstance(inner, list | dict):
                    yield from _products(inner, depth + 1)


def _offered(product: Mapping[str, object]) -> Iterator[dict[str, object]]:
    """What a product and each of its offers say together; an offer says it of itself where both do."""
    offers = product.get("offers")
    own = {name: value for name, value in product.items() if name not in ("offers", "@type", "@context")}
    for offer in offers if isinstance(offers, list) else [offers]:
        if isinstance(offer, dict):
            priced = offer.get("priceSpecification")
            detail = priced[0] if isinstance(priced, list) and priced else priced
            yield {**own, **(detail if isinstance(detail, dict) else {}), **offer, "name": own.get("name")}
