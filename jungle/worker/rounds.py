"""A round of reading prices, and then the watches."""

from collections.abc import Mapping
from typing import Any

from core.model.progress import Progress
from jungle.market.models import Round
from jungle.market.rounds import read_round
from jungle.worker.models import Job


def work_out(job: Job, report: Progress) -> Mapping[str, Any]:
    """Every source that was not read yet in the round; one that is gone meanwhile is over."""
    begun = Round.objects.filter(owner_id=job.owner_id, pk=job.wishes["round"]).first()
    if begun is not None:
        read_and_watch(begun, report)
    return {}


def read_and_watch(begun: Round, report: Progress) -> None:
    """Read what was not read yet, and tell whose watches are crossed by it."""
    read_round(begun, report)
