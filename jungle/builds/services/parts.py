"""The one way a catalogue changes: with every build that it touches judged before, or not at all."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

from django.contrib.auth.models import User
from django.db import transaction

from core.formats.pack_preview import Choice
from core.formats.parts_pack import PartsPack
from core.formats.price_list import PriceTable
from core.model.build import Build, slot_for
from core.model.chain import UnknownPart, plans_of
from core.model.parts import Part as SpecSheet
from jungle.builds.judging import CannotBeShown, Judged, judge, unreported
from jungle.builds.models import StoredBuild, UnreadableBuild
from jungle.builds.services.editing import ATTEMPTS, Busy, StaleRevision, become, store
from jungle.builds.services.people import units_of
from jungle.builds.ties import builds_naming, tie
from jungle.catalogue import packs, sheets
from jungle.catalogue.adoption import samples_adopted
from jungle.catalogue.entries import CatalogueMoved, EntryState, States, revision_of, states_of, store_states
from jungle.catalogue.history import (
    ChangedSince,
    edit_to_redo,
    edit_to_undo,
    record_edit,
    states_around,
)
from jungle.catalogue.models import CatalogueEdit, Entry, Sheet
from jungle.catalogue.sheets import Typed, find_entry

MOST_BUILDS_JUDGED = 25
"""Builds that a change of the catalogue touches are judged whole up to so many; of further ones only what they name is
looked up, and the list judges them when somebody looks at it."""


class StaleCatalogue(Exception):
    """The catalogue was changed since it was seen; look at it again."""


@dataclass(frozen=True)
class Loss:
    """What a build would lose by a change of the catalogue."""

    build: str
    what: tuple[str, ...]


class PartsInUse(Exception):
    """Builds would lose parts or plans that they name. Says which; they may be brought along."""

    def __init__(self, losses: tuple[Loss, ...]) -> None:
        told = "; ".join(f"{loss.build}: {', '.join(loss.what)}" for loss in losses)
        super().__init__(f"Builds would lose what they have. {told}.")
        self.losses = losses


class Builds(StrEnum):
    """What happens to builds that would lose a part or a plan."""

    REFUSE = "refuse"
    """Nothing is changed."""
    BRING_ALONG = "bring_along"
    """They go on without it, each by an edit of its own."""
    SPARE = "spare"
    """The parts that they would lose stay as they are."""


@dataclass(frozen=True)
class By:
    """Who changes a catalogue, the revision that they saw it at, and what happens to builds that would lose by it."""

    actor: User
    revision: int | None = None
    builds: Builds = Builds.REFUSE


class _Touched(NamedTuple):
    """A build as it was and as it shall be; with a label where it goes on without something."""

    build: StoredBuild
    judged: Judged | None
    """Nothing for one that could not be shown before: it cannot lose by the change, and stays as it is."""
    label: str | None


def add_part(by: By, kind: str, typed: Typed, currency: str) -> Entry:
    """A part of the actor's own. Raises `FieldErrors`."""
    part_id = sheets.new_id(kind)
    name = f"{typed.get('name', '')}"
    _change(by, f"Added {name}", lambda: sheets.part_added(part_id, kind, typed, units_of(by.actor), currency))
    return find_entry(by.actor.pk, part_id)


def change_part(by: By, part_id: str, revision: int, typed: Typed, currency: str) -> Entry:
    """Other facts for a part, on its revision that was seen. Raises `FieldErrors`, `StaleEntry`."""
    units = units_of(by.actor)
    return _change_entry(
        by, part_id, revision, "Facts of {name}", lambda entry: sheets.facts_changed(entry, typed, units, currency)
    )


def cite(by: By, part_id: str, revision: int, field: str, typed: Typed) -> Entry:
    """Say where a fact was read, when, and what another source states. Raises `FieldErrors`, `StaleEntry`."""
    units = units_of(by.actor)
    return _change_entry(
        by,
        part_id,
        revision,
        "Source of a fact of {name}",
        lambda entry: sheets.source_cited(entry, field, typed, units),
    )


def restore_part(by: By, part_id: str, revision: int) -> Entry:
    """The sheet as it came, the actor's own changes taken back. Raises `StaleEntry`."""
    return _change_entry(by, part_id, revision, "Changes of {name} taken back", sheets.sheet_restored)


def remove_part(by: By, part_id: str) -> None:
    """Take a part out of the catalogue."""
    entry = find_entry(by.actor.pk, part_id)
    _change(by, f"Took {entry.spec.name} out", lambda: sheets.taken_out(by.actor.pk, part_id))


def take_pack(by: By, pack: PartsPack, choices: Mapping[str, str]) -> dict[Choice, int]:
    """Take a pack in, each part as `choices` say by id, or as is usual; answers how many of each."""
    done: dict[Choice, int] = {}

    def decided() -> States:
        states, counted = packs.pack_taken(by.actor.pk, pack, choices)
        done.update(counted)
        return states

    _change(by, f"Took in pack {pack.name}", decided)
    return done


def take_list(by: By, table: PriceTable, mapping: Mapping[str, int], currency: str) -> dict[str, int]:
    """Take in the rows of a price list that nothing is wrong with; answers how many `prices`, and parts `added`."""
    done: dict[str, int] = {}

    def decided() -> States:
        states, counted = packs.list_taken(by.actor.pk, table, mapping, currency)
        done.update(counted)
        return states

    _change(by, "Took in a price list", decided)
    return done


def adopt_samples(actor: User) -> None:
    """Put the sample parts into a catalogue; those there follow the sample world, unless a build would lose by it."""
    _change(By(actor, builds=Builds.SPARE), None, lambda: samples_adopted(actor.pk))


def undo_edit(by: By) -> None:
    """Take the newest edit of the catalogue back. Raises `NothingToUndo`, `ChangedSince`, `PartsInUse`."""
    _step(by, edit_to_undo, undone=True)


def redo_edit(by: By) -> None:
    """Make the edit again that was undone last. Raises as `undo_edit` does."""
    _step(by, edit_to_redo, undone=False)


def _change_entry(by: By, part_id: str, revision: int, label: str, decide: Callable[[Entry], States]) -> Entry:
    """One entry as `decide` says, on its revision that was seen; `label` says what was done to its `name`."""
    owner_id = by.actor.pk
    name = find_entry(owner_id, part_id, revision).spec.name
    _change(by, label.format(name=name), lambda: decide(find_entry(owner_id, part_id, revision)))
    return find_entry(owner_id, part_id)


def _step(by: By, edit_of: Callable[[int], CatalogueEdit], undone: bool) -> None:
    edit = edit_of(by.actor.pk)

    def decided() -> States:
        before, after = states_around(edit_of(by.actor.pk))
        held, wanted = (after, before) if undone else (before, after)
        now = states_of(by.actor.pk, held)
        for id, state in held.items():
            if now.get(id) != state:
                raise ChangedSince(f"'{id}' has changed since; what was done to it cannot be undone or redone.")
        return wanted

    _change(by, None, decided, also=lambda: CatalogueEdit.objects.filter(pk=edit.pk).update(undone=undone))


def _change(by: By, label: str | None, decide: Callable[[], States], also: Callable[[], object] = lambda: None) -> None:
    """Make entries what `decide` says, recorded under `label`; once more where something moved meanwhile."""
    owner_id = by.actor.pk
    for _ in range(ATTEMPTS):
        revision = revision_of(owner_id)
        if by.revision is not None and by.revision != revision:
            raise StaleCatalogue("The catalogue was changed in another window. Look at it again first.")
        wanted = decide()
        before = states_of(owner_id, wanted)
        changed: dict[str, EntryState | None] = {id: state for id, state in wanted.items() if before.get(id) != state}
        touched = _judged(by, changed)
        if not changed:
            return
        try:
            with transaction.atomic():
                store_states(owner_id, revision, changed)
                _store_builds(owner_id, changed, touched, by.actor.pk)
                if label is not None:
                    record_edit(owner_id, label, before, changed)
                also()
        except (CatalogueMoved, StaleRevision):
            continue
        return
    raise Busy


def _judged(by: By, changed: dict[str, EntryState | None]) -> list[_Touched]:
    """Every build that names a part of `changed`, judged with what that becomes.

    Raises `PartsInUse` where builds would lose by it and shall not; spares them by taking parts out of `changed`.
    """
    found: list[_Touched | Loss] = []
    looked_at = None
    while looked_at != changed.keys():  # Sparing one build changes what becomes of those before it.
        looked_at = set(changed)
        found = [
            _touched(by, build, changed, judge if number < MOST_BUILDS_JUDGED else unreported)
            for number, build in enumerate(builds_naming(by.actor.pk, changed))
        ]
    losses = tuple(each for each in found if isinstance(each, Loss))
    if losses:
        raise PartsInUse(losses)
    return [each for each in found if isinstance(each, _Touched)]


def _touched(
    by: By, build: StoredBuild, changed: dict[str, EntryState | None], look: Callable[..., Judged]
) -> _Touched | Loss:
    """What becomes of one build, or what it would lose and shall not."""
    digests = {id: state.sheet if state else None for id, state in changed.items()}
    try:
        return _Touched(build, look(build.design, build.owner_id, digests), None)
    except (UnreadableBuild, UnknownPart, CannotBeShown) as error:
        if _unreadable(build):
            return _Touched(build, None, None)
        if not isinstance(error, UnknownPart):
            raise
    without, lost, what = _without_lost(build.design, _sheets_after(build, digests))
    if by.builds is Builds.BRING_ALONG and what:
        judged = judge(without, build.owner_id, digests)
        return _Touched(build, judged, f"Went on without {', '.join(what)}")
    if by.builds is Builds.SPARE and what:
        for id in lost:
            changed.pop(id, None)
        return _touched(by, build, changed, look)
    return Loss(build.name, what)


def _store_builds(owner_id: int, changed: States, touched: list[_Touched], actor_id: int) -> None:
    """Store what was judged, if these are still the builds that name what changed. Raises `StaleRevision`."""
    by_build = {touch.build.pk: touch for touch in touched}
    for build in builds_naming(owner_id, changed):
        touch = by_build.get(build.pk)
        if touch is None or build.revision != touch.build.revision:
            raise StaleRevision(build)
        if touch.judged is None:
            continue
        if touch.label is not None:
            after = become(build, touch.judged, build.edit_number + 1, (touch.label, None))
            store(build, after, touch.label, actor_id)
        else:
            StoredBuild.objects.filter(pk=build.pk).update(summary=_summary(build, touch.judged))
            tie(build, touch.judged)


def _summary(build: StoredBuild, judged: Judged) -> object:
    """What the list says of a build now; of one whose report was not made, what it said before, as of no day."""
    if "report" in vars(judged):
        return judged.summary
    return build.summary and {**build.summary, "day": None}


def _unreadable(build: StoredBuild) -> bool:
    """It cannot be shown as it is now."""
    try:
        return not build.judged
    except UnreadableBuild:
        return True


def _sheets_after(build: StoredBuild, digests: Mapping[str, str | None]) -> Mapping[str, SpecSheet]:
    now = Entry.objects.visible_to(build.owner_id).named(*build.design.parts_named).digests()
    after = {id: digest for id, digest in {**now, **digests}.items() if digest is not None}
    read = Sheet.objects.read(after.values())
    return {id: read[digest] for id, digest in after.items() if digest in read}


def _without_lost(document: Build, sheets: Mapping[str, SpecSheet]) -> tuple[Build, set[str], tuple[str, ...]]:
    """`document` without the parts and plans that `sheets` do not have; their part ids, and what they are in words."""
    chain, lost, what = dict(document.chain), set(), []
    for slot, hung in document.chain.items():
        sheet = sheets.get(hung.part)
        if sheet is None or slot_for(sheet) is not slot:
            del chain[slot]
            lost.add(hung.part)
            what.append(f"the {slot}")
        elif hung.plan is not None and hung.plan not in {plan.id for plan in plans_of(sheet)}:
            chain[slot] = hung.model_copy(update={"plan": None})
            lost.add(hung.part)
            what.append(f"plan '{hung.plan}' of the {slot}")
    extras = [extra for extra in document.extras if extra.part in sheets]
    for number, extra in enumerate(extras):
        if extra.plan is not None and extra.plan not in {plan.id for plan in plans_of(sheets[extra.part])}:
            extras[number] = extra.model_copy(update={"plan": None})
            lost.add(extra.part)
            what.append(f"plan '{extra.plan}' of a part beside the chain")
    small = {id: made for id, made in document.small_items.items() if made.part is None or made.part in sheets}
    for extra in document.extras:
        if extra.part not in sheets:
            lost.add(extra.part)
            what.append("a part beside the chain")
    for id, made in document.small_items.items():
        if id not in small:
            lost.add(made.part or "")
            what.append(f"what was chosen for {id.replace('-', ' ')}")
    after = document.model_copy(update={"chain": chain, "extras": tuple(extras), "small_items": small})
    return after, lost, tuple(what)
