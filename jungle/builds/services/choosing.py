"""Choosing parts for a build: what could hang in a place, why not, by which route, and what serves a small item."""

from typing import NamedTuple, Protocol

from django.contrib.auth.models import User
from django.utils import timezone

from core.checks.limits import State
from core.drawing import Scene
from core.model.build import Build, Slot, slot_for
from core.model.facts import Missing, MissingFact
from core.model.filters import filter_by
from core.model.found import Listed
from core.model.parts import Part as SpecSheet
from core.report import evaluate
from core.report.alternatives import Alternative, alternatives, build_with
from core.report.routes import Route, routes_to
from core.report.shortlist import prices_of, swapped_first, weighed_first
from core.report.small_items import Option, options_for
from core.report.why_not import WhyNot, why_not
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere
from jungle.builds.services.kit import sheets_for_items
from jungle.builds.services.people import units_of
from jungle.catalogue.finding import PartsWanted, found_parts
from jungle.catalogue.models import Entry, EntryQuerySet


class FactWanted(PartsWanted, Protocol):
    """Which parts are looked for, as a person types it: by a fact that decides in their place as well."""

    fact: str
    value: str


class WeighedParts(NamedTuple):
    """Candidates for a place, each hung and judged."""

    alternatives: tuple[Alternative, ...]
    all: int
    """How many parts of the catalogue are for this place."""
    unweighed: int
    """How many are like what is wanted, but too far in price from what hangs to be weighed unasked."""
    kinds: tuple[str, ...]


def weigh(actor: User, build: StoredBuild, slot: Slot, wanted: FactWanted, *, usable: bool = False) -> WeighedParts:
    """The actor's parts for `slot` that are wanted, nearest in price; with `usable` only what nothing rules out.

    Raises `FieldErrors` for a price or a fact that cannot be read.
    """
    design, owned = build.design, _owned(actor)
    here = tuple(owned.of_slots(slot).listed())
    matching = _like(owned, slot, found_parts(here, wanted, design.brief.currency), wanted, actor, design)
    hanging = owned.named(*design.parts_named).sheets()
    chosen = weighed_first(matching, slot, prices_of(design, hanging))
    sheets = {**hanging, **owned.named(*chosen).sheets()}
    weighed = (one for one in alternatives(design, sheets, slot, timezone.localdate()) if one.part.id in chosen)
    return WeighedParts(
        tuple(one for one in weighed if not usable or one.state is not State.BLOCKED),
        len(here),
        len(matching) - len(chosen),
        tuple(sorted({part.kind for part in here})),
    )


def _like(
    owned: EntryQuerySet, slot: Slot, listed: tuple[Listed, ...], wanted: FactWanted, actor: User, design: Build
) -> tuple[Listed, ...]:
    """Those of `listed` whose sheet says what is wanted; all where no fact is asked for."""
    if not wanted.fact or not wanted.value.strip():
        return listed
    asked = filter_by(slot, wanted.fact)
    value = asked.read(slot, wanted.value, units_of(actor), design.brief.currency)
    sheets = owned.named(*(part.id for part in listed)).sheets()
    return tuple(part for part in listed if part.id in sheets and asked.lets_through(sheets[part.id], value))


def drawn_with(actor: User, build: StoredBuild, slot: Slot, part_id: str) -> tuple[SpecSheet, Scene]:
    """A part, and the drawing as it would be with it. Raises `NothingThere`."""
    sheets = _owned(actor).named(*build.design.parts_named, part_id).sheets()
    part = sheets.get(part_id)
    if part is None or slot_for(part) is not slot:
        raise NothingThere(f"There is no part '{part_id}' for place '{slot}'.")
    return part, evaluate(build_with(build.design, sheets, slot, part), sheets).scene


def routes(actor: User, build: StoredBuild, slot: Slot) -> tuple[tuple[Route, ...], Missing | None]:
    """The routes to what hangs in `slot`, or what is missing to tell them."""
    try:
        return routes_to(slot, build.design, _owned(actor).sheets()), None
    except MissingFact as fact:
        return (), fact.missing


def ask_why_not(actor: User, build: StoredBuild, part_id: str) -> WhyNot:
    """What rules a part out, and what would admit it; tried are the parts nearest in price. Raises `NothingThere`."""
    return why_not_in(actor, build.design, part_id)


def why_not_in(actor: User, design: Build, part_id: str) -> WhyNot:
    """The same of a design, stored or not. Raises `NothingThere`."""
    owned = _owned(actor)
    hanging = owned.named(*design.parts_named).sheets()
    swaps = swapped_first(owned.exclude(sheet__slot="").listed(), prices_of(design, hanging))
    sheets = {**owned.named(part_id, *swaps).sheets(), **hanging}
    if part_id not in sheets:
        raise NothingThere(f"There is no part '{part_id}'.")
    return why_not(design, sheets, sheets[part_id], timezone.localdate())


def serving(actor: User, build: StoredBuild, item: str) -> tuple[Option, ...]:
    """The parts that could serve for a small item. Raises `NothingThere` where it does not follow from the build."""
    try:
        return options_for(build.design, sheets_for_items(actor.pk, build.design, item), item)
    except LookupError as error:
        raise NothingThere(f"No small item '{item}' follows from this build.") from error


def _owned(actor: User) -> EntryQuerySet:
    return Entry.objects.visible_to(actor.pk)
