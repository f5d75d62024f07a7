"""A build's document with the sheets of its parts, and the report on both: made before anything is stored or shown."""

import logging
from collections import OrderedDict
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from functools import cached_property
from threading import Lock
from typing import NamedTuple, TypeVar

from django.utils import timezone

from core.checks.limits import State
from core.formats.report_json import ReportJson, report_json
from core.formats.stored import read_stored_build
from core.model.build import Build
from core.model.chain import UnknownPart, resolve_chain
from core.model.kit import resolve_kit
from core.model.parts import Part as SpecSheet
from core.model.typed import field_texts
from core.quantities import UnitSystem
from core.report import Report, evaluate
from jungle.catalogue.models import Entry, Sheet

REPORTS_KEPT = 16
"""Of the builds that are looked at just now: while something is dragged, the same is asked for many times a second."""

log = logging.getLogger(__name__)
_kept: "OrderedDict[tuple[str, int, frozenset[tuple[str, str]], date], Judged]" = OrderedDict()
_designs: "OrderedDict[tuple[str, int], Build]" = OrderedDict()
_lock = Lock()
K = TypeVar("K")
V = TypeVar("V")


class CannotBeShown(Exception):
    """No report can be made of a build; whatever would make it like this is not stored."""


class Shown(NamedTuple):
    """A build for readers of one system of units."""

    texts: dict[str, str]
    """Every quantity of the document, by its field."""
    report: ReportJson


@dataclass(frozen=True)
class Judged:
    """A document, the sheets that it was judged with, and what came out on that day."""

    document: Build
    sheets: Mapping[str, SpecSheet]
    digests: Mapping[str, str]
    """The digest of each sheet, by part id."""
    day: date
    before: Report | None = None
    """The report on a build that differs little, of the same day."""
    moving: bool = False
    """It is looked at while something is dragged."""

    @cached_property
    def report(self) -> Report:
        """The report, made once. Raises `UnknownPart`, `CannotBeShown`."""
        try:
            return evaluate(self.document, self.sheets, today=self.day, before=self.before, moving=self.moving)
        except UnknownPart:
            raise
        except Exception as error:
            log.exception("No report can be made of %s", self.document.name)
            message = "No report can be made of this build as it would be, so nothing was changed."
            raise CannotBeShown(message) from error

    def shown(self, units: UnitSystem) -> Shown:
        """What a reader of `units` sees of it, made once for each."""
        shown = self._shown.get(units)
        if shown is None:
            texts = dict(field_texts(self.document, units, self.document.brief.currency))
            shown = self._shown[units] = Shown(texts, report_json(self.report, units))
        return shown

    @cached_property
    def _shown(self) -> dict[UnitSystem, Shown]:
        return {}

    @cached_property
    def summary(self) -> dict[str, object]:
        """What the list of builds says of it."""
        return {
            "day": self.day.isoformat(),
            "stage": self.document.brief.stage.value,
            "state": self.report.state.value,
            "blocked": sum(verdict.state is State.BLOCKED for verdict in self.report.verdicts),
            "questions": len(self.report.questions),
            "up_front": self.report.costs.up_front.text(),
        }


def judge(document: Build, owner_id: int, changed: Mapping[str, str | None] | None = None) -> Judged:
    """`document` with its owner's sheets and a report; `changed` gives parts other digests, or takes them out.

    Raises `UnknownPart` where it names a part or plan that is not there, and `CannotBeShown`.
    """
    judged = unreported(document, owner_id, changed)
    assert judged.report
    return judged


def judge_stored(text: str, version: int, owner_id: int) -> Judged:
    """As `judge`, of a document as it is stored; the reports that were asked for last are kept.

    Raises `ValueError` for a text that cannot be read besides.
    """
    document = design_stored(text, version)
    digests = Entry.objects.visible_to(owner_id).named(*document.parts_named).digests()
    with _lock:
        judged = _kept.get((text, version, frozenset(digests.items()), timezone.localdate()))
    if judged is None:
        judged = _with_sheets(document, digests)
        assert judged.report
    keep(text, version, judged)
    return judged


def keep(text: str, version: int, judged: Judged) -> None:
    """Keep what was `judged` of a document that is stored as `text`, for when it is asked for next."""
    with _lock:
        _keep_newest(_kept, (text, version, frozenset(judged.digests.items()), judged.day), judged)
        _keep_newest(_designs, (text, version), judged.document)


def design_stored(text: str, version: int) -> Build:
    """The typed document, one object for each text. Raises `ValueError` for one that cannot be read."""
    with _lock:
        design = _designs.get((text, version))
    if design is None:
        design = read_stored_build(text, version)
        with _lock:
            _keep_newest(_designs, (text, version), design)
    return design


def _keep_newest(kept: OrderedDict[K, V], key: K, value: V) -> None:
    kept[key] = value
    kept.move_to_end(key)
    while len(kept) > REPORTS_KEPT:
        kept.popitem(last=False)


def judge_moved(document: Build, judged: Judged) -> Judged:
    """`document`, which names the same parts as what was `judged` and differs little. Raises `CannotBeShown`."""
    moved = Judged(document, judged.sheets, judged.digests, judged.day, judged.report, moving=True)
    assert moved.report
    return moved


def unreported(document: Build, owner_id: int, changed: Mapping[str, str | None] | None = None) -> Judged:
    """As `judge`, but the report is only made when somebody asks for it. Raises `UnknownPart`."""
    digests = Entry.objects.visible_to(owner_id).named(*document.parts_named).digests()
    for id, digest in (changed or {}).items():
        if digest is None:
            digests.pop(id, None)
        elif id in document.parts_named:
            digests[id] = digest
    return _with_sheets(document, digests)


def _with_sheets(document: Build, digests: Mapping[str, str]) -> Judged:
    read = Sheet.objects.read(digests.values())
    sheets = {id: read[digest] for id, digest in digests.items() if digest in read}
    resolve_chain(document, sheets)
    resolve_kit(document, sheets)
    return Judged(document, sheets, digests, timezone.localdate())
