"""Builds as wholes: begun, renamed, deleted, written out and read back, and what a list says of them."""

from collections.abc import Callable, Iterator
from contextlib import suppress
from typing import NamedTuple

from django.contrib.auth.models import User
from django.db import OperationalError, transaction
from django.utils import timezone

from core.formats.build_file import BuildFile, read_build_file
from core.formats.stored import write_stored
from core.formats.versions import CURRENT
from core.model.build import Build
from core.model.free_ids import copy_name
from core.model.shops import Market
from core.model.typed import with_changes
from core.quantities import UnitSystem
from core.report.shopping import taken_offers
from jungle.builds.history import record
from jungle.builds.judging import judge
from jungle.builds.models import StoredBuild, UnreadableBuild
from jungle.builds.services.editing import (
    ATTEMPTS,
    NO_ADOPTION,
    Busy,
    NothingThere,
    On,
    edit,
    find_build,
    validated_document,
)
from jungle.builds.ties import tie
from jungle.catalogue.adoption import Adoption, adoption_of
from jungle.catalogue.entries import CatalogueMoved, hold, revision_of, store_states
from jungle.catalogue.models import Entry
from jungle.market.adoption import adopt_terms
from jungle.market.terms import market_of

SUMMARISED_AT_ONCE = 25
"""Builds whose summary is of another day are judged anew when somebody looks at the list, so many at a time."""
Answer = Callable[[StoredBuild], str] | None


class ListedBuild(NamedTuple):
    """A build on the list, and why it cannot be shown; empty for one that can."""

    build: StoredBuild
    unreadable: str


def list_builds(actor: User) -> Iterator[ListedBuild]:
    """All builds of `actor`, the one changed last first. One that cannot be read says so, and hides nothing else."""
    held = set(Entry.objects.visible_to(actor.pk).values_list("part_id", flat=True))
    today, left = timezone.localdate().isoformat(), SUMMARISED_AT_ONCE
    for build in StoredBuild.objects.visible_to(actor.pk):
        unreadable = ""
        if build.summary is None or (build.summary["day"] != today and left > 0):
            left -= 1
            try:
                build.summary = build.judged.summary
            except UnreadableBuild as error:
                unreadable = str(error)
            else:
                _keep_summary(build)
        else:
            unreadable = _fault(build, held)
        yield ListedBuild(build, unreadable)


def start_build(
    actor: User,
    document: Build,
    label: str = "Begun",
    answer: Answer = None,
    grows_from: StoredBuild | None = None,
) -> StoredBuild:
    """A new build of `actor`'s."""
    document = validated_document(document)
    return _begun(actor, lambda: (document, NO_ADOPTION), label, answer, grows_from)


def copy_build(build_id: int, actor: User, answer: Answer = None) -> StoredBuild:
    """Another build of the same design, under a name that no other of `actor`'s has."""
    design = find_build(build_id, actor).design
    taken = StoredBuild.objects.visible_to(actor.pk).values_list("name", flat=True)
    return start_build(actor, design.model_copy(update={"name": copy_name(design.name, taken)}), "Copied", answer)


def grow_build(build_id: int, actor: User, answer: Answer = None) -> StoredBuild:
    """The next step of a build: a copy of it that grows from it, and is to be changed into what comes then."""
    before = find_build(build_id, actor)
    taken = StoredBuild.objects.visible_to(actor.pk).values_list("name", flat=True)
    design = before.design.model_copy(update={"name": copy_name(before.design.name, taken, "next step")})
    return start_build(actor, design, f"Grown from {before.name}", answer, before)


def rename_build(on: On, name: str) -> StoredBuild:
    """Give the build another name."""
    units, currency = UnitSystem.METRIC, "EUR"
    return edit(on, f"Renamed to {name}", lambda build: with_changes(build, {"name": name}, units, currency))


def delete_build(build_id: int, actor: User) -> None:
    """Delete a build. It can be brought back until it is tidied away, with its history."""
    if not StoredBuild.objects.visible_to(actor.pk).filter(pk=build_id).update(deleted_at=timezone.now()):
        raise NothingThere(f"There is no build {build_id}.")


def restore_build(build_id: int, actor: User) -> None:
    """Bring a deleted build back as it was. Raises `NothingThere` where none was deleted."""
    if not StoredBuild.objects.deleted_by(actor.pk).filter(pk=build_id).update(deleted_at=None):
        raise NothingThere(f"There is no deleted build {build_id}.")


def build_file(build: StoredBuild) -> BuildFile:
    """The build, the spec sheets it hangs and the offers it took, as a file holds them. Raises `UnreadableBuild`."""
    sheets, market = build.judged.sheets, market_of(build.owner_id)
    taken = set(taken_offers(build.design.ledger).values())
    offers = [offer for id, offer in market.offer_by_id.items() if id in taken]
    shops = {offer.shop: market.shop_by_id[offer.shop] for offer in offers}
    return BuildFile.model_validate(
        {
            "build": build.design.model_dump(),
            "parts": [sheet.model_dump() for sheet in sheets.values()],
            "shops": [shop.model_dump() for shop in shops.values()],
            "offers": [offer.model_dump() for offer in offers],
        }
    )


def import_build(actor: User, text: bytes, answer: Answer = None) -> StoredBuild:
    """A new build from a build file; its parts join the catalogue, and shops that are not known yet what is known.

    Raises `BadFile`, storing nothing.
    """
    file = read_build_file(text)
    document = validated_document(file.build)

    def decided() -> tuple[Build, Adoption]:
        adoption = adoption_of(actor.pk, file.parts)
        kept_as.update(adoption.kept_as)
        return document.with_parts_named(adoption.kept_as), adoption

    kept_as: dict[str, str] = {}
    begun = _begun(actor, decided, "Read from a file", answer)
    offers = (offer.model_copy(update={"part": kept_as.get(offer.part, offer.part)}) for offer in file.offers)
    adopt_terms(actor, Market(file.shops, tuple(offers)))
    return begun


def _keep_summary(build: StoredBuild) -> None:
    """The next look at the list is quick then; where nothing can be written, it can be read all the same."""
    with suppress(OperationalError):
        StoredBuild.objects.filter(pk=build.pk, revision=build.revision).update(summary=build.summary)


def _begun(
    actor: User,
    decide: Callable[[], tuple[Build, Adoption]],
    label: str,
    answer: Answer,
    grows_from: StoredBuild | None = None,
) -> StoredBuild:
    """A new build, judged and answered before it is stored; its number is known only then."""
    for _ in range(ATTEMPTS):
        revision = revision_of(actor.pk)
        document, adoption = decide()
        digests = {id: state.sheet for id, state in adoption.states.items() if state is not None}
        judged = judge(document, actor.pk, digests)
        build = StoredBuild(
            owner=actor,
            name=document.name,
            document=write_stored(document),
            version=CURRENT,
            summary=judged.summary,
            changed_at=timezone.now(),
            grows_from=grows_from,
        )
        build.design, build.judged, build.labels = document, judged, (None, None)
        try:
            with transaction.atomic():
                if adoption.states:
                    store_states(actor.pk, revision, adoption.states)
                else:
                    hold(actor.pk, revision)
                build.save()
                record(build, 0, label, actor.pk)
                tie(build, judged)
                build.answer = answer(build) if answer else ""
        except CatalogueMoved:
            continue
        return build
    raise Busy


def _fault(build: StoredBuild, held: set[str]) -> str:
    """Why a build that was judged today cannot be shown all the same; empty where it can."""
    try:
        gone = build.design.parts_named - held
    except UnreadableBuild as error:
        return str(error)
    return f"The part '{min(gone)}' that it names is not in the catalogue." if gone else ""
