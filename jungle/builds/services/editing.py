"""The one way a build changes: on the revision it was seen at, judged and answered before it is stored, or not at all.

Everything is decided before the transaction, which then only stores; where the catalogue moved meanwhile, it is
decided again.
"""

from collections.abc import Callable, Iterable, Iterator
from contextlib import suppress
from dataclasses import dataclass
from typing import NamedTuple

from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone
from pydantic import ValidationError

from core.formats.stored import read_stored_build, write_stored
from core.formats.versions import CURRENT
from core.model.bounds import refuse_too_much
from core.model.build import Build, slot_for
from core.model.chain import UnknownPart, plans_of
from core.model.parts import Part as SpecSheet
from core.model.sharing import sharing
from core.model.typed import FieldErrors
from core.report.small_items import without_lapsed
from jungle.builds.history import StoredDocument, readable_before, record, rewrite, stored_after
from jungle.builds.judging import CannotBeShown, Judged, judge, keep
from jungle.builds.models import StoredBuild, UnreadableBuild
from jungle.builds.services.receipts import receipts_between
from jungle.builds.ties import tie
from jungle.catalogue.adoption import Adoption, adoption_of
from jungle.catalogue.entries import CatalogueMoved, hold, store_states
from jungle.catalogue.models import Entry, Sheet
from jungle.market.said import say, take_back

ATTEMPTS = 5
KEYS_KEPT = 32
"""Edits by others that may come between an answer that is lost and its edit that is sent again."""
NO_ADOPTION = Adoption({}, {})


class StaleRevision(Exception):
    """The build has changed since it was seen. Carries the build as it is now."""

    def __init__(self, build: StoredBuild) -> None:
        super().__init__(f"build {build.pk} is at revision {build.revision}")
        self.build = build


class Locked(Exception):
    """A part that is locked would be swapped or taken down. Says which, and how to go on."""


class NothingThere(LookupError):
    """Something named in a request is not there for this person."""


class Busy(Exception):
    """Others changed the same things again and again meanwhile; trying again will do."""


@dataclass(frozen=True)
class On:
    """Which build an edit is for, the revision it was made on, who makes it, and how it is answered.

    The answer is made before the edit is stored, so that what cannot be shown is not stored.
    """

    build_id: int
    revision: int
    actor: User
    answer: Callable[[StoredBuild], str] | None = None
    key: str = ""
    """The edit's own; one that was made already is answered with the build as it is now, and not made again."""


class Next(NamedTuple):
    """What a build shall become: its document, which edit that is, and what of the catalogue has to come along."""

    document: Build
    number: int
    label: str | None
    """What a new edit is called; `None` for going along the history."""
    labels: tuple[str | None, str | None]
    """What undo would then take back, and redo make again."""
    adoption: Adoption = NO_ADOPTION
    stored: StoredDocument | None = None
    """The document as the history has it, where it goes along that and nothing of it had to change."""
    report: Judged | None = None
    """The report on it, where that has been made already."""

    def judged(self, owner_id: int) -> Judged:
        """The report on it, with what comes along. Raises `UnknownPart`, `CannotBeShown`."""
        digests = {id: state.sheet for id, state in self.adoption.states.items() if state is not None}
        return judge(self.document, owner_id, digests)


def find_build(build_id: int, actor: User) -> StoredBuild:
    """The build, if it is there for `actor`; otherwise `NothingThere`."""
    build = StoredBuild.objects.visible_to(actor.pk).with_catalogue().filter(pk=build_id).first()
    if build is None:
        raise NothingThere(f"There is no build {build_id}.")
    return build


def seen_catalogue(build: StoredBuild) -> int:
    """The revision of the catalogue as it was when `find_build` found the build."""
    return getattr(build, "catalogue_revision", None) or 0


def edit_bringing(on: On, label: str, change: Callable[[Build], tuple[Build, tuple[SpecSheet, ...]]]) -> StoredBuild:
    """Make one edit as `edit` does, whose build names parts that are new to the catalogue: they join it with it."""

    def decided(build: StoredBuild) -> Next | None:
        before = build.design
        after, sheets = change(before)
        adoption = adoption_of(build.owner_id, sheets)
        kept_as = {id: adoption.kept_as.get(id, id) for id in after.parts_named}
        named = validated_document(after.with_parts_named(kept_as), before)
        return None if named == before else Next(named, build.edit_number + 1, label, (label, None), adoption)

    return _make(on, decided)


def edit(on: On, label: str, change: Callable[[Build], Build]) -> StoredBuild:
    """Make one edit. What could have been redone before it is forgotten; an edit that changes nothing is none.

    Raises `StaleRevision` when the build is no longer at `on.revision`, `FieldErrors` where the outcome would be out
    of bounds, and whatever `change` raises; the build is then as it was. Where the catalogue moved meanwhile,
    `change` is called again.
    """

    def decided(build: StoredBuild) -> Next | None:
        before = build.design
        after = without_lapsed_strikes(build.owner_id, validated_document(change(before), before))
        return None if after == before else Next(after, build.edit_number + 1, label, (label, None))

    return _make(on, decided)


def undo(on: On) -> StoredBuild:
    """Go back one edit. Raises `NothingThere` at the beginning.

    Parts that left the catalogue since come back with it. It goes back to the newest state before that can be shown,
    which is the one before unless something is wrong with that.
    """

    def decided(build: StoredBuild) -> Next:
        for number, stored, document in readable_before(build, build.edit_number):
            with suppress(UnreadableBuild, UnknownPart, CannotBeShown):
                wanted = _along(build, number, stored, document)
                return wanted._replace(report=wanted.judged(build.owner_id))
        raise NothingThere("There is nothing to undo.")

    return _make(on, decided)


def redo(on: On) -> StoredBuild:
    """Make the edit again that was undone last. Raises `NothingThere` where none was."""

    def decided(build: StoredBuild) -> Next:
        number = build.edit_number + 1
        stored = stored_after(build, number) if build.edits.filter(number=number).exists() else None
        if stored is None:
            raise NothingThere("There is nothing to redo.")
        return _along(build, number, stored, _read(build, stored))

    return _make(on, decided)


def field_words(fields: Iterable[str]) -> str:
    """Fields as a label says them: `up_front_cap_minor` is 'up front cap'."""
    return ", ".join(name.removesuffix("_minor").removesuffix("_m").replace("_", " ") for name in fields)


def validated_document(after: Build, before: Build | None = None) -> Build:
    """`after`, validated as a whole and not too much to be judged; what is as it was `before` is the same object.

    Raises `FieldErrors`.
    """
    try:
        document = Build.model_validate_json(after.model_dump_json())
    except ValidationError as error:
        found = error.errors(include_url=False, include_context=False)
        told = [
            (".".join(map(str, one["loc"])), one["input"], one["msg"].removeprefix("Value error, ")) for one in found
        ]
        raise FieldErrors(told) from error
    refuse_too_much(document, before)
    return document if before is None else sharing(document, before)


def without_lapsed_strikes(owner_id: int, after: Build) -> Build:
    """`after` without strikes of small items whose reason is gone with this edit."""
    if not any(decision.choice == "strike" for decision in after.small_items.values()):
        return after
    return without_lapsed(after, Entry.objects.visible_to(owner_id).named(*after.parts_named).sheets())


def become(
    build: StoredBuild,
    judged: Judged,
    number: int,
    labels: tuple[str | None, str | None],
    stored: StoredDocument | None = None,
) -> StoredBuild:
    """`build` at its next revision, as it would be stored."""
    document, version = stored or StoredDocument(write_stored(judged.document), CURRENT)
    after = StoredBuild(
        pk=build.pk,
        owner_id=build.owner_id,
        name=judged.document.name,
        document=document,
        version=version,
        revision=build.revision + 1,
        edit_number=number,
        summary=judged.summary,
        keys=build.keys,
        created_at=build.created_at,
        changed_at=timezone.now(),
    )
    after.design, after.judged, after.labels = judged.document, judged, labels
    return after


def store(build: StoredBuild, after: StoredBuild, label: str | None, actor_id: int) -> None:
    """Store `after`, which `build` becomes, inside a transaction. Raises `StaleRevision` where it changed meanwhile."""
    fields = ("name", "document", "version", "revision", "edit_number", "summary", "keys", "changed_at")
    there = StoredBuild.objects.filter(pk=build.pk, revision=build.revision)
    if not there.update(**{name: getattr(after, name) for name in fields}):
        raise StaleRevision(build)
    if label is not None:
        record(after, after.edit_number, label, actor_id, build.document, build.version)
    tie(after, after.judged)


def _make(on: On, decide: Callable[[StoredBuild], Next | None]) -> StoredBuild:
    """Decide, judge, answer, store; once more where the catalogue moved meanwhile."""
    for _ in range(ATTEMPTS):
        build = find_build(on.build_id, on.actor)
        if on.key and on.key in build.keys:
            return _answered(on, build)
        if build.revision != on.revision:
            raise StaleRevision(build)
        revision = seen_catalogue(build)
        wanted = decide(build)
        if wanted is None:
            return _answered(on, build)
        states = wanted.adoption.states
        judged = wanted.report or wanted.judged(build.owner_id)
        after = become(build, judged, wanted.number, wanted.labels, wanted.stored)
        after.keys = [*build.keys, on.key][-KEYS_KEPT:] if on.key else build.keys
        after = _answered(on, after)
        receipts = receipts_between(build, after)
        try:
            with transaction.atomic():
                if states:
                    store_states(build.owner_id, revision, states)
                else:
                    hold(build.owner_id, revision)
                store(build, after, wanted.label, on.actor.pk)
                take_back(build.owner_id, receipts.gone)
                say(build.owner_id, receipts.come)
                if wanted.label is None and wanted.stored is None:
                    rewrite(after)
        except CatalogueMoved:
            continue
        except StaleRevision:
            newest = find_build(on.build_id, on.actor)
            if on.key and on.key in newest.keys:
                return _answered(on, newest)
            raise StaleRevision(newest) from None
        keep(after.document, after.version, judged)
        return after
    raise Busy


def _answered(on: On, build: StoredBuild) -> StoredBuild:
    if on.answer is not None:
        build.answer = on.answer(build)
    return build


def _read(build: StoredBuild, stored: StoredDocument) -> Build:
    try:
        return read_stored_build(*stored)
    except ValueError as error:
        raise UnreadableBuild(build, "What would be made again of it cannot be read.") from error


def _along(build: StoredBuild, number: int, stored: StoredDocument, document: Build) -> Next:
    """Edit `number` of the history again, with parts that left the catalogue since, or lost a plan that it names."""
    labels = StoredBuild(pk=build.pk, edit_number=number).labels
    adoption = adoption_of(build.owner_id, _parts_gone(build, document))
    kept_as = {id: adoption.kept_as.get(id, id) for id in document.parts_named}
    if all(kept == id for id, kept in kept_as.items()):
        return Next(document, number, None, labels, adoption, stored)
    return Next(document.with_parts_named(kept_as), number, None, labels, adoption)


def _parts_gone(build: StoredBuild, document: Build) -> Iterator[SpecSheet]:
    """The sheets by which a state of the history knew the parts that it names and the catalogue does not have so."""
    sheets = Entry.objects.visible_to(build.owner_id).named(*document.parts_named).sheets()
    slots = {hung.part: (slot, hung.plan) for slot, hung in document.chain.items()}

    def serves(id: str, sheet: SpecSheet | None) -> bool:
        slot, plan = slots.get(id, (None, None))
        if sheet is None:
            return False
        return (slot is None or slot_for(sheet) is slot) and (plan is None or plan in {p.id for p in plans_of(sheet)})

    for id in sorted(document.parts_named):
        if serves(id, sheets.get(id)):
            continue
        digests = list(build.ties.filter(part_id=id).order_by("-pk").values_list("sheet_id", flat=True))
        known = Sheet.objects.read(digests)
        found = next((known[digest] for digest in digests if serves(id, known.get(digest))), None)
        if found is None:
            raise UnreadableBuild(build, f"The part '{id}' that it named is nowhere any more.")
        yield found
