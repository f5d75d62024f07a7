"""One's own history of prices from a table: which column holds what, and what each row says."""

from collections.abc import Iterator, Mapping
from datetime import date
from pathlib import Path
from typing import Any, NamedTuple
from uuid import uuid4

from django.conf import settings
from django.db import transaction
from django.utils import timezone

from core.formats.looks_csv import COLUMNS, MOST_LOOK_ROWS, Knowledge, LookRow, guessed_columns, look_rows
from core.formats.price_list import PriceTable, chosen_columns, read_table
from core.model.observation import Source
from core.model.progress import Progress, Stopped
from core.model.shops import Shop
from jungle.market.observing import record
from jungle.market.offers_seen import look_of, offer_as_seen
from jungle.market.sources import Understood, recognition_for
from jungle.market.terms import market_of

AT_ONCE = 1000
"""Rows that are taken in together: all of them, or none."""
PROBLEMS_TOLD = 20


class Taken(NamedTuple):
    """What became of a table."""

    rows: int
    new: int
    extended: int
    held_back: int
    wrong: int
    problems: tuple[LookRow, ...]
    """The first of them."""

    @property
    def told(self) -> dict[str, Any]:
        """As JSON holds it."""
        problems = [{"line": row.line, "says": "", "problem": row.problem} for row in self.problems]
        return {**self._asdict(), "problems": problems}


def read_history(content: bytes) -> PriceTable:
    """The table. Raises `BadFile`."""
    return read_table(content, MOST_LOOK_ROWS)


def columns_of(table: PriceTable, chosen: Mapping[str, object]) -> dict[str, int]:
    """Which column holds what: as it was chosen, else by the heading. Raises `FieldErrors`."""
    return chosen_columns(chosen, COLUMNS, len(table.heading)) or guessed_columns(table.heading)


def rows_of(owner_id: int, table: PriceTable, columns: Mapping[str, int]) -> Iterator[LookRow]:
    """What each row says. Raises `BadFile`."""
    shops = market_of(owner_id).shops
    by_word = {word.casefold(): shop for shop in shops for word in (shop.id, shop.name)}
    recognition = recognition_for(owner_id)
    return look_rows(
        table, columns, Knowledge(by_word, lambda word: recognition.part_of(word, word), timezone.localdate())
    )


def keep_for_later(content: bytes) -> str:
    """Put a table where the worker finds it; answers under which name."""
    name = uuid4().hex
    _folder().mkdir(parents=True, exist_ok=True)
    (_folder() / name).write_bytes(content)
    return name


def kept(name: str) -> Path:
    """Where the table of that name is."""
    return _folder() / name


def take_history(owner_id: int, table: PriceTable, columns: Mapping[str, int], report: Progress) -> Taken:
    """Take in what the rows say, some thousands at a time; taken in again, it changes nothing.

    Raises `BadFile`, and `Stopped` where it was told to go on no more: what was taken in by then stays.
    """
    good: list[LookRow] = []
    bad: list[LookRow] = []
    for row in rows_of(owner_id, table, columns):
        (bad if row.problem else good).append(row)
    # What is of one part is taken in together: all that is known of it is looked through once.
    good.sort(key=lambda row: (row.looks[0].part, row.looks[0].shop))
    done = new = extended = held_back = 0
    while some := good[done : done + AT_ONCE]:
        if not report(done / len(good), f"row {done} of {len(good)}"):
            raise Stopped
        recorded = record(owner_id, [look for row in some for look in row.looks])
        done += len(some)
        new, extended, held_back = new + recorded.new, extended + recorded.extended, held_back + recorded.held_back
    return Taken(len(table.rows), new, extended, held_back, len(bad), tuple(bad[:PROBLEMS_TOLD]))


def take_page(owner_id: int, shop: Shop, found: Understood, today: date) -> Taken:
    """Keep what a page says of parts that are recognised, and have the shop's offers say the same."""
    there = [one for one in found.things if one.key in found.parts and one.price is not None]
    looks = [look_of(one, found.parts[one.key], shop, today, Source.FILE) for one in there]
    with transaction.atomic():
        recorded = record(owner_id, looks)
        regular = {(look.part, look.sold_as.value): one.regular_minor for look, one in zip(looks, there, strict=True)}
        offer_as_seen(owner_id, shop, regular, frozenset(regular))
    left = [one for one in found.things if one not in there]
    told = (f"{one.called}: {one.problem or 'is not recognised'}" for one in left[:PROBLEMS_TOLD])
    problems = tuple(LookRow(0, (), words) for words in told)
    return Taken(len(found.things), *recorded, len(left), problems)


def _folder() -> Path:
    return Path(settings.DATA_DIR) / "imports"
