"""The money of a build: what was guessed, quoted and paid, lines of one's own, and what pays for it."""

from collections.abc import Callable, Mapping
from datetime import date
from typing import TypeVar

from core.model.build import Build
from core.model.free_ids import free_id
from core.model.ledger import Category, Entry, Funding, Ledger, OwnLine, Resale, line_key
from core.model.typed import FieldErrors, value_text, with_changes
from core.money.line import OWN
from core.quantities import UnitSystem
from core.report.buy_list import buy_list
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere, On, edit, field_words, find_build
from jungle.builds.services.people import units_of

E = TypeVar("E", bound=Entry)
GUESSES = ("low_minor", "likely_minor", "high_minor")


def enter_amounts(on: On, key: str, changes: Mapping[str, object]) -> StoredBuild:
    """Enter what is known of the money of a line; what says nothing any more is forgotten.

    Raises `NothingThere` for a line that the build has not.
    """
    units = units_of(on.actor)

    def change(ledger: Ledger, build: Build) -> Ledger:
        known = ledger.entries.get(key)
        if known is None and key not in build.line_keys:
            raise NothingThere(f"There is no line '{key}'.")
        entry = _changed(known or Entry(), changes, units, build.brief.currency)
        if any(field.startswith("quote") for field in changes):
            # A quote that was typed is of no offer any more.
            entry = entry.model_copy(update={"offer": None})
        rest = {id: each for id, each in ledger.entries.items() if id != key}
        return ledger.model_copy(update={"entries": rest if entry.says_nothing else {**rest, key: entry}})

    return _edit(on, f"Money: {field_words(changes)}", change)


def mark_paid(on: On, key: str, day: date, *, paid: bool) -> StoredBuild:
    """Tick a line as paid on `day`, at what counts of it; or take that back.

    Raises `NothingThere` for a line that the build has not, and `FieldErrors` for one without a price.
    """
    judged = find_build(on.build_id, on.actor).judged
    line = next((each.line for each in buy_list(judged.document, judged.report) if each.line.key == key), None)
    if line is None:
        raise NothingThere(f"There is no line '{key}' to pay for.")
    owed = line.payment_due
    if paid and owed is None:
        raise FieldErrors([("paid_minor", "", "enter what was paid: the line has no price")])
    changes = {"paid_minor": owed.minor if paid and owed else None, "paid_on": day if paid else None}

    def change(ledger: Ledger, build: Build) -> Ledger:
        own = [line.model_copy(update=changes) if key == line_key(line.id, OWN) else line for line in ledger.own]
        if own != list(ledger.own):
            return ledger.model_copy(update={"own": tuple(own)})
        entry = (ledger.entries.get(key) or Entry()).model_copy(update=changes)
        return ledger.model_copy(update={"entries": {**ledger.entries, key: entry}})

    return _edit(on, f"{line.label}: {'paid' if paid else 'not paid'}", change)


def add_own_line(on: On, name: str, category: Category) -> StoredBuild:
    """Add a line of one's own; it has no price yet."""

    def change(ledger: Ledger, build: Build) -> Ledger:
        taken = [*(line.id for line in ledger.own), *(extra.id for extra in build.extras)]
        line = OwnLine(id=free_id("own", taken), name=name, category=category)
        return ledger.model_copy(update={"own": (*ledger.own, line)})

    return _edit(on, f"Added {name}", change)


def change_own_line(on: On, id: str, changes: Mapping[str, object]) -> StoredBuild:
    """Change a line of one's own."""
    units = units_of(on.actor)

    def change(ledger: Ledger, build: Build) -> Ledger:
        _there(id, [line.id for line in ledger.own])
        own = [_changed(line, changes, units, build.brief.currency) if line.id == id else line for line in ledger.own]
        return ledger.model_copy(update={"own": tuple(own)})

    return _edit(on, f"Own line: {field_words(changes)}", change)


def drop_own_line(on: On, id: str) -> StoredBuild:
    """Take a line of one's own out."""

    def change(ledger: Ledger, build: Build) -> Ledger:
        _there(id, [line.id for line in ledger.own])
        return ledger.model_copy(update={"own": tuple(line for line in ledger.own if line.id != id)})

    return _edit(on, "Took a line out", change)


def add_funding(on: On, name: str, amount: str, *, sold: bool) -> StoredBuild:
    """Enter money that comes in to pay for it, as it is typed."""
    units = units_of(on.actor)

    def change(ledger: Ledger, build: Build) -> Ledger:
        blank = Funding(id=free_id("funding", [each.id for each in ledger.funding]), name=name, minor=0, sold=sold)
        if not amount.strip():
            raise FieldErrors([("minor", amount, "an amount such as 1250 or 1,250.50")])
        funding = with_changes(blank, {"minor": amount}, units, build.brief.currency)
        return ledger.model_copy(update={"funding": (*ledger.funding, funding)})

    return _edit(on, f"Money from {name}", change)


def change_funding(on: On, id: str, changes: Mapping[str, object]) -> StoredBuild:
    """Change money that comes in, or say that it is there."""
    units = units_of(on.actor)

    def change(ledger: Ledger, build: Build) -> Ledger:
        _there(id, [each.id for each in ledger.funding])
        funding = [
            with_changes(each, changes, units, build.brief.currency) if each.id == id else each
            for each in ledger.funding
        ]
        return ledger.model_copy(update={"funding": tuple(funding)})

    return _edit(on, f"Funding: {field_words(changes)}", change)


def drop_funding(on: On, id: str) -> StoredBuild:
    """Money that does not come in after all."""

    def change(ledger: Ledger, build: Build) -> Ledger:
        _there(id, [each.id for each in ledger.funding])
        return ledger.model_copy(update={"funding": tuple(each for each in ledger.funding if each.id != id)})

    return _edit(on, "Took funding out", change)


def say_running(on: On, changes: Mapping[str, object]) -> StoredBuild:
    """Say what electricity and a hired bay cost, how many balls are struck in an hour, and how long things last."""
    units = units_of(on.actor)
    words = f"Running costs: {field_words(changes)}"
    return _edit(on, words, lambda ledger, build: with_changes(ledger, changes, units, build.brief.currency))


def say_resale(on: On, category: Category, changes: Mapping[str, object]) -> StoredBuild:
    """Say what things of a category sell for; what says nothing any more is as the trade has it."""
    units = units_of(on.actor)

    def change(ledger: Ledger, build: Build) -> Ledger:
        said = with_changes(ledger.resale.get(category, Resale()), changes, units, build.brief.currency)
        rest = {of: each for of, each in ledger.resale.items() if of is not category}
        return ledger.model_copy(update={"resale": rest if said == Resale() else {**rest, category: said}})

    return _edit(on, f"What {category.value} sells for", change)


def _edit(on: On, label: str, change: Callable[[Ledger, Build], Ledger]) -> StoredBuild:
    return edit(on, label, lambda build: build.model_copy(update={"ledger": change(build.ledger, build)}))


def _there(id: str, ids: list[str]) -> None:
    if id not in ids:
        raise NothingThere(f"There is no line '{id}'.")


def _changed(entry: E, changes: Mapping[str, object], units: UnitSystem, currency: str) -> E:
    """`entry` with `changes`. Raises `FieldErrors`, by the field, for an estimate that is not in order."""
    typed = [field for field in GUESSES if field in changes]
    try:
        return with_changes(entry, changes, units, currency)
    except FieldErrors as errors:
        if any(field for field, _, _ in errors.errors) or not typed:
            raise
        told = [value_text(type(entry), field, getattr(entry, field), units, currency) for field in GUESSES]
        now = ", ".join(filter(None, told)) or "nothing guessed"
        accepted = f"an estimate from low over likely to high, the likely one first (now {now})"
        raise FieldErrors([(typed[0], changes[typed[0]], accepted)]) from errors
