"""Which form a source has, and what it says: one way to read all of them."""

from collections.abc import Callable, Mapping
from enum import StrEnum

from core.formats.errors import BadFile, FileError
from core.formats.price_sources.feeds import read_csv_feed, read_json_feed
from core.formats.price_sources.pages import read_page
from core.formats.price_sources.told import Told


class Form(StrEnum):
    """How a source tells what it does."""

    TABLE = "table"
    JSON = "JSON feed"
    PAGE = "page"


READERS: Mapping[Form, Callable[[bytes, str, bool], tuple[Told, ...]]] = {
    Form.TABLE: read_csv_feed,
    Form.JSON: read_json_feed,
    Form.PAGE: read_page,
}


def form_of(content: bytes, content_type: str = "") -> Form:
    """The form of `content`: by what it begins with, for a server may call it anything."""
    begins = content.lstrip(b"\xef\xbb\xbf \t\r\n")[:1]
    if begins == b"<" or "html" in content_type:
        return Form.PAGE
    return Form.JSON if begins in (b"{", b"[") else Form.TABLE


def read_source(content: bytes, content_type: str, currency: str, tax_included: bool) -> tuple[Told, ...]:
    """What a feed, a page or a table tells of, in its order; one that is told twice counts once, as told first.

    `currency` and `tax_included` are the shop's own, where it does not say. Raises `BadFile`, and nothing else.
    """
    if not content.strip():
        raise BadFile([FileError("file", "", "is empty")])
    told = READERS[form_of(content, content_type)](content, currency, tax_included)
    by_key: dict[tuple[str, str], Told] = {}
    for one in told:
        by_key.setdefault((one.key, one.sold_as), one)
    return tuple(by_key.values())
