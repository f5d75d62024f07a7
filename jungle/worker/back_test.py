"""How good the advice is: over what was really asked for the lines of a build, and over simulated markets."""

from collections.abc import Iterator, Mapping
from dataclasses import asdict
from typing import Any

from django.utils import timezone

from core.formats.report_json.rule_paid import rule_paid_json
from core.model.progress import Progress, Stopped
from core.prices.back_test import Trial, compared, own_trials, trials
from jungle.builds.services.prices import PriceQuestion, prices_for
from jungle.worker.models import Job

SIMULATED = 600
SEED = "kept apart"
"""The markets of docs/buy-or-wait.md, the first of them."""
OWN_SHARE = 0.4


def work_out(job: Job, report: Progress) -> Mapping[str, Any]:
    """What each rule would have paid, as a share of what hindsight does. Raises `Stopped`."""
    lines = prices_for(job.owner, job.of_build, PriceQuestion())
    own: list[Trial] = []
    for number, line in enumerate(lines):
        _tell(report, 0.05 * number / len(lines), line.label)
        own += own_trials(line.seen, timezone.localdate())
    simulated = list(trials(SEED, SIMULATED))
    own_paid = _paid(own, report, 0.05, OWN_SHARE, "what was asked")
    return {
        "lines": len(lines),
        "own_trials": len(own),
        "own": own_paid,
        "simulated_trials": len(simulated),
        "simulated": _paid(simulated, report, OWN_SHARE, 1.0, "simulated markets"),
    }


def _paid(tried: list[Trial], report: Progress, begin: float, end: float, words: str) -> list[Mapping[str, Any]]:
    """Each rule over `tried`, telling how far it is."""
    if not tried:
        return []

    def telling() -> Iterator[Trial]:
        for number, trial in enumerate(tried):
            _tell(report, begin + (end - begin) * number / len(tried), words)
            yield trial

    return [asdict(rule_paid_json(paid)) for paid in compared(telling()).values()]


def _tell(report: Progress, share: float, words: str) -> None:
    if not report(share, words):
        raise Stopped
