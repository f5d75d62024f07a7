"""The best baskets for a build: loads the solver, and so is imported where jobs are done alone."""

import json
from collections.abc import Mapping
from dataclasses import asdict
from datetime import date
from typing import Any

from core.formats.report_json.baskets import baskets_json
from core.money.basket import Cancelled, Limits
from core.report.baskets import baskets_for
from jungle.builds.services.people import units_of
from jungle.builds.services.shopping import shopping_for
from jungle.worker.jobs import Report, Stopped
from jungle.worker.models import Job


def work_out(job: Job, report: Report) -> Mapping[str, Any]:
    """Best basket, one shop fewer and all from one shop, within the limits that were asked. Raises `Stopped`."""
    judged, units = job.build.judged, units_of(job.owner)
    # The build may have been edited since it was asked: what is told names the state that was looked at.
    Job.objects.filter(pk=job.pk).update(revision=job.build.revision)
    shopping = shopping_for(job.owner, judged.document, judged.sheets)
    try:
        found = baskets_for(
            shopping.needs,
            shopping.market,
            shopping.buyer,
            _limits(json.loads(job.asked)),
            lambda share, words: report(share, words.text(units)),
        )
    except Cancelled as cancelled:
        raise Stopped from cancelled
    return asdict(baskets_json(found, shopping.labels, units))


def _limits(asked: Mapping[str, Any]) -> Limits:
    return Limits(
        most_shops=asked.get("most_shops"),
        new_only=bool(asked.get("new_only")),
        here_by=date.fromisoformat(asked["here_by"]) if asked.get("here_by") else None,
        not_shops=frozenset(asked.get("not_shops", ())),
    )
