"""The best baskets for a build: loads the solver, and so is imported where jobs are done alone."""

from collections.abc import Iterator, Mapping
from dataclasses import asdict
from datetime import date
from typing import Any

from core.formats.report_json.baskets import baskets_json
from core.model.progress import Progress, tell_progress
from core.money.basket import Limits
from core.money.kit_or_own import KitOrOwn
from core.report.baskets import baskets_for
from core.report.kits import kits_for
from jungle.builds.services.people import units_of
from jungle.builds.services.shopping import Shopping, shopping_for
from jungle.catalogue.models import Entry
from jungle.worker.models import Job


def work_out(job: Job, report: Progress) -> Mapping[str, Any]:
    """Best basket, one shop fewer and all from one shop, within the limits that were asked. Raises `Stopped`."""
    judged, units = job.of_build.judged, units_of(job.owner)
    # The build may have been edited since it was asked: what is told names the state that was looked at.
    Job.objects.filter(pk=job.pk).update(revision=job.of_build.revision)
    shopping = shopping_for(job.owner, judged.document, judged.sheets)
    limits = _limits(job.wishes)
    found = baskets_for(
        shopping.needs, shopping.market, shopping.buyer, limits, lambda share, words: report(share, words.text(units))
    )
    kits = tuple(_kits(shopping, limits, report))
    held = {part for kit in kits for part in kit.bundle.members}
    sheets = Entry.objects.visible_to(job.owner_id).named(*held).sheets()
    names = {id: f"{sheet.maker} {sheet.name}" for id, sheet in sheets.items()}
    return asdict(baskets_json(found, kits, shopping.labels, names, units))


def _kits(shopping: Shopping, limits: Limits, report: Progress) -> Iterator[KitOrOwn]:
    """Kits beside the same lines bought singly. Raises `Stopped`."""
    for kit in kits_for(shopping.needs, shopping.categories, shopping.market, shopping.buyer, limits):
        yield kit
        tell_progress(report, 1.0, f"{kit.bundle.name} of {kit.shop.name}, broken up")


def _limits(asked: Mapping[str, Any]) -> Limits:
    return Limits(
        most_shops=asked.get("most_shops"),
        new_only=bool(asked.get("new_only")),
        here_by=date.fromisoformat(asked["here_by"]) if asked.get("here_by") else None,
        not_shops=frozenset(asked.get("not_shops", ())),
    )
