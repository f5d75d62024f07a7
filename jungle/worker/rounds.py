"""A round of reading prices, and then the watches."""

from collections.abc import Mapping, Sequence
from typing import Any

from core.model.progress import Progress
from core.money.basket import NO_LIMITS
from core.money.order import Need
from core.quantities import Money
from core.report.watched import WatchedBuild
from jungle.market.models import Round
from jungle.market.reading import read_round
from jungle.watching.mail import mail_alerts
from jungle.watching.watches import look_at_watches
from jungle.worker.models import Job


def work_out(job: Job, report: Progress) -> Mapping[str, Any]:
    """Every source that was not read yet in the round; one that is gone meanwhile is over."""
    begun = Round.objects.filter(owner_id=job.owner_id, pk=job.wishes["round"]).first()
    if begun is not None:
        read_and_watch(begun, report)
    return {}


def look(job: Job, report: Progress) -> Mapping[str, Any]:
    """What is waited for, without reading anything anew."""
    watch(job.owner_id)
    return {}


def read_and_watch(begun: Round, report: Progress) -> None:
    """Read what was not read yet, and tell what has come to its target."""
    read_round(begun, report)
    watch(begun.owner_id)


def watch(owner_id: int) -> None:
    """Look at everything that somebody waits for, and mail what was crossed."""
    look_at_watches(owner_id, _in_the_best_basket)
    mail_alerts(owner_id)


def _in_the_best_basket(there: WatchedBuild, needs: Sequence[Need]) -> Money | None:
    """Loads the solver."""
    from core.report.baskets import baskets_for

    found = baskets_for(needs, there.market, there.buyer, NO_LIMITS)
    return None if found.best is None or found.without else found.best.total
