"""Packs and price lists looked at before they are taken; fuzzed, neither ever raises anything but a named refusal."""

import json
from collections.abc import Iterable, Mapping
from itertools import count
from pathlib import Path
from typing import Any
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from core.formats.errors import BadFile
from core.formats.pack_preview import Choice, Standing, compare, usual_choice
from core.formats.parts_pack import read_parts_pack, write_parts_pack
from core.formats.price_list import Column, ListRow, PriceTable, guessed_mapping, list_rows, read_table
from core.model.found import listing_of
from core.model.parts import Part
from core.quantities import UnitSystem, figure_text
from tests.core import worlds

PACKS = sorted((Path(__file__).resolve().parents[2] / "jungle" / "demo" / "parts").glob("*.json"))
HELD: dict[str, Part] = worlds.full_parts()
JSON = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats(allow_nan=False) | st.text(max_size=20),
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(st.text(max_size=12), inner, max_size=4),
    max_leaves=12,
)
CELL = st.text(max_size=15)


class CompareTests(TestCase):
    def row(self, part: Part, touched: bool = False) -> Any:
        return compare([part], HELD, frozenset({part.id} if touched else ()))[0]

    def test_new_same_changed_and_in_conflict(self) -> None:
        self.assertIs(self.row(worlds.mat(id="other")).standing, Standing.NEW)
        self.assertIs(self.row(worlds.mat()).standing, Standing.SAME)
        thicker = worlds.mat(thickness_m=0.05)
        self.assertIs(self.row(thicker).standing, Standing.CHANGED)
        self.assertIs(self.row(thicker, touched=True).standing, Standing.CONFLICT)
        self.assertIs(self.row(worlds.screen(id="mat")).standing, Standing.CONFLICT, "another kind under its id")

    def test_differences_tell_fact_here_and_there(self) -> None:
        found = self.row(worlds.mat(thickness_m=0.05, price=worlds.price(450), colour="green")).differences
        told = [[d.words, *(figure_text(f, UnitSystem.METRIC) for f in (d.here, d.there))] for d in found]
        self.assertEqual(told[0], ["price", "€400.00", "€450.00"])
        self.assertEqual(told[1], ["thickness", "40 mm", "50 mm"])
        self.assertEqual(told[2], ["colour", "not stated", "green"], "a field that nobody knows is kept and told")

    def test_nothing_that_the_owner_did_is_lost_unasked(self) -> None:
        self.assertEqual([usual_choice(s) for s in Standing], [Choice.TAKE, Choice.KEEP, Choice.TAKE, Choice.KEEP])


class PackFuzzTests(TestCase):
    @settings(max_examples=150)
    @given(st.data())
    def test_a_pack_with_anything_anywhere_is_read_or_refused_by_place(self, data: st.DataObject) -> None:
        pack = json.loads(data.draw(st.sampled_from(PACKS)).read_text())
        for _ in range(data.draw(st.integers(1, 3))):
            here: Any = data.draw(st.sampled_from(pack["parts"]))
            key = data.draw(st.sampled_from(sorted(here)) | st.text(min_size=1, max_size=8))
            here[key] = data.draw(JSON)
        try:
            read = read_parts_pack(json.dumps(pack))
        except BadFile as bad:
            self.assertTrue(all(error.place for error in bad.errors))
        else:
            self.assertEqual(read_parts_pack(write_parts_pack(read)), read, "round trip without loss")
            compare(read.parts, HELD, frozenset())

    @settings(max_examples=100)
    @given(st.binary(max_size=200) | JSON.map(lambda value: json.dumps(value).encode()))
    def test_what_is_no_pack_is_refused(self, text: bytes) -> None:
        with self.assertRaises(BadFile):
            read_parts_pack(text)

    def test_fields_that_nobody_knows_survive_the_trip(self) -> None:
        pack = json.loads(PACKS[0].read_text())
        pack["shelf"], pack["parts"][0]["colour"] = "B", {"hue": [1, 2]}
        written = json.loads(write_parts_pack(read_parts_pack(json.dumps(pack))))
        self.assertEqual((written["shelf"], written["parts"][0]["colour"]), ("B", {"hue": [1, 2]}))


def told(
    table: PriceTable, mapping: Mapping[Column, int], currency: str, held: Mapping[str, Part] = HELD
) -> tuple[ListRow, ...]:
    """What each row does to the full test catalogue."""
    numbers = count()

    def new_id(kind: str) -> str:
        number = next(numbers)
        return f"{kind}-new-{number}".replace("_", "-") if number else f"{kind}-new".replace("_", "-")

    def sheets_of(ids: Iterable[str]) -> dict[str, Part]:
        return {id: held[id] for id in ids}

    return list_rows(table, mapping, map(listing_of, held.values()), sheets_of, currency, new_id)


class PriceListTests(TestCase):
    def rows(self, text: str, currency: str = "EUR") -> list[Any]:
        table = read_table(text.encode())
        return list(told(table, guessed_mapping(table.heading), currency))

    def test_a_part_listed_whose_sheet_is_gone_is_told_on_its_row(self) -> None:
        table = read_table(b"id;price\nmat;420\nscreen;310\n")
        held = {id: part for id, part in HELD.items() if id != "mat"}
        lines = map(listing_of, HELD.values())
        rows = list_rows(table, guessed_mapping(table.heading), lines, lambda ids: held, "EUR", str)
        self.assertEqual([row.does for row in rows], ["", "price"])
        self.assertIn("mat cannot be read here", rows[0].problem)

    def test_prices_by_id_or_by_name_and_new_parts(self) -> None:
        rows = self.rows("id;maker;name;kind;price\nmat;;;;420,50\n;Maker;Square;;310\n;Nest;Perch;stand;25\n")
        self.assertEqual(
            [(row.line, row.does, row.problem) for row in rows],
            [(2, "price", ""), (3, "price", ""), (4, "new part", "")],
        )
        self.assertEqual([row.part.price.minor for row in rows], [42_050, 31_000, 2_500])
        self.assertEqual((rows[1].part.id, rows[1].before.text(), rows[2].part.id), ("screen", "€300.00", "stand-new"))

    def test_each_bad_row_says_what_is_wrong_with_it(self) -> None:
        rows = self.rows(
            "id,price,currency,kind,maker,name\nmat,dear,,,,\nmat,10,XXX,,,\n,5,,boat,A,B\n,5,,,A,B\nmat,1,,,,\nmat,2,,,,\n,5,,tool,,B\n"
        )
        problems = [row.problem for row in rows]
        self.assertTrue(problems[0].startswith("price 'dear'; accepted: an amount"))
        self.assertTrue(problems[1].startswith("currency 'XXX'; accepted: EUR"))
        self.assertTrue(problems[2].startswith("kind 'boat'; accepted for a new part: rear_radar"))
        self.assertTrue(problems[3].startswith("no part here has that id or name"))
        self.assertEqual(problems[4:6], ["", "mat stands in an earlier row already"])
        self.assertTrue(problems[6].startswith("maker ''; accepted: a name"))

    def test_a_name_that_two_parts_have_is_asked_for_by_id(self) -> None:
        twice = {**HELD, "other": worlds.mat(id="other")}
        table = read_table(b"id,maker,name,price\n,Maker,Strip,5\nother,,,6\n")
        rows = told(table, guessed_mapping(table.heading), "EUR", twice)
        self.assertIn("give the id", rows[0].problem)
        self.assertEqual(rows[1].part and rows[1].part.id, "other")

    def test_columns_are_guessed_by_their_heading(self) -> None:
        self.assertEqual(
            guessed_mapping(("Article", "Brand", "Product", "EUR", "x")),
            {Column.ID: 0, Column.MAKER: 1, Column.NAME: 2, Column.PRICE: 3},
        )

    def test_what_is_no_list_is_refused(self) -> None:
        for text in (b"", b"\n\n", b"a,b\x00c"):
            with self.assertRaises(BadFile):
                read_table(text)

    @settings(max_examples=150)
    @given(
        st.lists(st.lists(CELL, max_size=7), max_size=6),
        st.sampled_from(",;\t"),
        st.dictionaries(st.sampled_from(list(Column)), st.integers(0, 8)),
    )
    def test_any_table_is_told_row_by_row(
        self, cells: list[list[str]], delimiter: str, mapping: dict[Column, int]
    ) -> None:
        text = "\n".join(delimiter.join(row) for row in cells)
        try:
            table = read_table(text.encode())
        except BadFile:
            return
        for row in told(table, mapping, "EUR"):
            self.assertNotEqual(bool(row.problem), row.part is not None)
