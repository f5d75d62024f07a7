"""How good the advice is: over what was really asked for the lines of a build, and over simulated markets."""

from collections.abc import Iterator, Mapping
from dataclasses import asdict
from typing import Any

from django.utils import timezone

from core.formats.report_json.rule_paid import rule_paid_json
from core.model.progress import Progress, Stopped
from core.prices.back_test import OWN_WEEKS, Outcome, Paid, Trial, outcomes, own_trials, summed, trials
from core.prices.simulated import Habit
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
    asked = _tried(own, report, 0.05, OWN_SHARE, "what was asked")
    found = _tried(simulated, report, OWN_SHARE, 1.0, "simulated markets")
    of_habit = ((habit, [one for one in found if one.habit is habit]) for habit in Habit)
    return {
        "lines": len(lines),
        "own_trials": len(own),
        "own_weeks": OWN_WEEKS,
        "own": _told(summed(asked)),
        "simulated_trials": len(simulated),
        "simulated": _told(summed(found)),
        "by_habit": [{"habit": habit.value, "paid": _told(summed(some))} for habit, some in of_habit if some],
    }


def _tried(tried: list[Trial], report: Progress, begin: float, end: float, words: str) -> list[Outcome]:
    """Each rule over `tried`, telling how far it is."""

    def telling() -> Iterator[Trial]:
        for number, trial in enumerate(tried):
            _tell(report, begin + (end - begin) * number / len(tried), words)
            yield trial

    return list(outcomes(telling()))


def _told(paid: Mapping[str, Paid]) -> list[Mapping[str, Any]]:
    return [asdict(rule_paid_json(each)) for each in paid.values()]


def _tell(report: Progress, share: float, words: str) -> None:
    if not report(share, words):
        raise Stopped
