"""Spec sheets, packs and price lists as JSON."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from core.formats.pack_preview import PackRow, Standing, usual_choice
from core.formats.price_list import ListRow
from core.formats.spec_sheet import read_by, spec_rows
from core.model.forms import FieldKind, FormField, typed_rows, typed_text
from core.model.parts import KINDS, Part, kind_of
from core.model.parts.sheets import sheet_fields
from core.model.typed import field_texts, value_text
from core.quantities import Unit, UnitSystem, figure_text


@dataclass(frozen=True, slots=True)
class SheetFieldJson:
    """One fact that a kind's sheet asks: what it means, how it is typed, and what reads it."""

    name: str
    label: str
    meaning: str
    typed_as: FieldKind
    unit: str
    options: list[list[str]]
    refers_to: str
    """The place whose parts are its options; empty where they are fixed, or there are none."""
    read_by: list[str]
    fields: list["SheetFieldJson"]
    """What each row asks, where it is records."""


@dataclass(frozen=True, slots=True)
class SheetKindJson:
    """A kind of part and its sheet."""

    kind: str
    meaning: str
    fields: list[SheetFieldJson]


@dataclass(frozen=True, slots=True)
class SheetFactJson:
    """One fact of a sheet: as it is read, as it is typed, where it was read, and what is doubtful about it."""

    field: str
    text: str
    typed: str
    source: str
    seen: str
    other: str
    other_source: str
    doubts: list[str]


@dataclass(frozen=True, slots=True)
class PackRowJson:
    """What a part of a pack would do."""

    part: str
    kind: str
    maker: str
    name: str
    standing: Standing
    usual: str
    differences: list[list[str]]
    """Fact, what is here, what the pack says."""


@dataclass(frozen=True, slots=True)
class ListRowJson:
    """What a row of a price list does, or what is wrong with it."""

    line: int
    does: str
    part: str
    name: str
    before: str
    price: str
    problem: str


def kind_json(kind: str) -> SheetKindJson:
    """The sheet of `kind`."""
    part = KINDS[kind]
    meaning = " ".join((part.__doc__ or "").split())
    return SheetKindJson(kind, meaning, [_field(part, field) for field in sheet_fields(kind)])


def form_json(fields: Iterable[FormField]) -> list[SheetFieldJson]:
    """The fields of a form that no check reads."""
    return [_field(None, field) for field in fields]


def facts_json(part: Part, system: UnitSystem, today: date) -> list[SheetFactJson]:
    """The facts of `part`, as they are read and as they are typed."""
    currency = part.price.currency if part.price else "EUR"
    typed = dict(field_texts(part, system, currency))
    found = []
    for row in spec_rows(part, system, today):
        source = part.sources.get(row.field)
        found.append(
            SheetFactJson(
                field=row.field,
                text=row.text,
                typed=typed.get(row.field, typed_text(getattr(part, row.field))),
                source=source.source if source else "",
                seen=source.seen.isoformat() if source and source.seen else "",
                other=value_text(type(part), row.field, source.other if source else None, system, currency),
                other_source=source.other_source if source else "",
                doubts=list(row.doubts),
            )
        )
    return found


def rows_json(part: Part, system: UnitSystem) -> dict[str, list[dict[str, str]]]:
    """The lists of records of `part` by field, each row as it is typed."""
    records = [field.name for field in sheet_fields(kind_of(part)) if field.typed_as is FieldKind.RECORDS]
    return {name: typed_rows(getattr(part, name) or (), system) for name in records}


def pack_row_json(row: PackRow, system: UnitSystem) -> PackRowJson:
    """`row` for a reader of `system`."""
    return PackRowJson(
        part=row.part.id,
        kind=kind_of(row.part),
        maker=row.part.maker,
        name=row.part.name,
        standing=row.standing,
        usual=usual_choice(row.standing).value,
        differences=[[d.words, figure_text(d.here, system), figure_text(d.there, system)] for d in row.differences],
    )


def list_row_json(row: ListRow) -> ListRowJson:
    """`row` as text."""
    part = row.part
    return ListRowJson(
        line=row.line,
        does=row.does,
        part=part.id if part else "",
        name=f"{part.maker} {part.name}" if part else "",
        before=row.before.text() if row.before else "",
        price=part.price.told if part and part.price else "",
        problem=row.problem,
    )


def _field(part: type[Part] | None, field: FormField) -> SheetFieldJson:
    return SheetFieldJson(
        name=field.name,
        label=field.label,
        meaning=field.meaning,
        typed_as=field.typed_as,
        unit=field.unit.value if field.unit not in (None, Unit.MINOR_MONEY) else "",
        options=[[value, words] for value, words in field.options],
        refers_to=field.refers_to,
        read_by=[] if part is None else read_by(part, field.name),
        fields=[_field(None, inner) for inner in field.fields],
    )
