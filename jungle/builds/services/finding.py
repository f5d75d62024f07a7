"""Finding parts in a catalogue, on their own or for a build."""

from typing import NamedTuple, Protocol

from django.contrib.auth.models import User
from django.utils import timezone

from core.checks.limits import State
from core.model.build import Build
from core.model.found import Listed
from core.model.parts import KINDS
from core.report.alternatives import each_weighed
from core.report.shortlist import judged_first, prices_of
from jungle.builds.services.editing import find_build
from jungle.catalogue.finding import PartsWanted, found_parts
from jungle.catalogue.models import Entry, EntryQuerySet

KIND_ORDER = {kind: number for number, kind in enumerate(KINDS)}
USUAL_CURRENCY = "EUR"


class WantedForBuild(PartsWanted, Protocol):
    """Which parts are looked for, and what they must do for which build."""

    own: bool
    build: int
    fits: bool
    works: bool


class Found(NamedTuple):
    """What was found, in the order of the kinds; and how many more may fit or work, but are too many to be judged."""

    parts: tuple[Listed, ...]
    all: int
    unjudged: int


def find_parts(actor: User, wanted: WantedForBuild) -> Found:
    """The actor's parts that are wanted. Raises `NothingThere` for a build, `FieldErrors` for a price."""
    owned = Entry.objects.visible_to(actor.pk)
    asked = owned.touched() if wanted.own else owned
    listed = (asked.of_kinds(wanted.kind) if wanted.kind else asked).listed()
    found, unjudged = found_parts(listed, wanted, currency_of(actor, wanted.build)), 0
    if wanted.build and (wanted.fits or wanted.works):
        found, unjudged = _suiting(find_build(wanted.build, actor).design, owned, found, wanted)
    in_order = sorted(found, key=lambda part: (KIND_ORDER[part.kind], part.maker, part.name))
    return Found(tuple(in_order), asked.count(), unjudged)


def currency_of(actor: User, build_id: int) -> str:
    """What a bare amount is in: the currency of the build that is open, if one is. Raises `NothingThere`."""
    return find_build(build_id, actor).design.brief.currency if build_id else USUAL_CURRENCY


def _suiting(
    design: Build, owned: EntryQuerySet, found: tuple[Listed, ...], wanted: WantedForBuild
) -> tuple[tuple[Listed, ...], int]:
    """Those of `found` that suit a build, and how many were not judged."""
    hanging = owned.named(*design.parts_named).sheets()
    judged = owned.named(*judged_first(found, prices_of(design, hanging))).sheets()
    suiting = {
        one.part.id
        for one in each_weighed(design, {**hanging, **judged}, judged.values(), timezone.localdate())
        if (one.state is not State.BLOCKED or not wanted.works) and (one.fits_room or not wanted.fits)
    }
    unjudged = sum(part.slot is not None and part.id not in judged for part in found)
    return tuple(part for part in found if part.slot is None or part.id in suiting), unjudged
