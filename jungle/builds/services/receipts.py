"""What a build's receipts say goes on into the history of prices, and out of it with them."""

from collections.abc import Sequence
from contextlib import suppress
from typing import NamedTuple

from core.model.chain import UnknownPart
from core.model.observation import Look
from core.money.amounts import buyer_of
from core.report.receipts import receipts
from jungle.builds.judging import CannotBeShown
from jungle.builds.models import StoredBuild, UnreadableBuild
from jungle.market.terms import market_of


class Receipts(NamedTuple):
    """What an edit of a build does to what its receipts say."""

    gone: Sequence[Look]
    come: Sequence[Look]


def receipts_between(before: StoredBuild, after: StoredBuild) -> Receipts:
    """What receipts said `before` and do not say `after`, and the reverse; nothing is stored."""
    was, now = _receipts_of(before), _receipts_of(after)
    return Receipts([look for look in was if look not in now], [look for look in now if look not in was])


def _receipts_of(build: StoredBuild) -> list[Look]:
    # A build that cannot be shown says nothing.
    with suppress(UnreadableBuild, UnknownPart, CannotBeShown):
        design = build.design
        if any(entry.receipt_seen for entry in design.ledger.entries.values()):
            judged = build.judged
            buyer = buyer_of(design.brief, judged.day)
            return list(receipts(design, judged.report.costs.lines, judged.sheets, market_of(build.owner_id), buyer))
    return []
