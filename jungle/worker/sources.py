"""A look at an address: what stands there, and how it is understood."""

from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from core.formats.report_json.sources import understood_json
from core.model.progress import Progress
from jungle.market.reading import look_at
from jungle.market.services import By, shop_as_typed
from jungle.market.terms import market_of
from jungle.worker.models import Job


def work_out(job: Job, report: Progress) -> Mapping[str, Any]:
    """What is understood of the address that was asked about. Raises `NotFetched`, `BadFile`."""
    asked = job.wishes
    new_shop = asked["new_shop"]
    known = market_of(job.owner_id).shop_by_id.get(asked["shop"])
    shop = known if new_shop is None else shop_as_typed(By(job.owner), new_shop)
    report(0.0, asked["address"])
    found = look_at(job.owner_id, asked["address"], asked["private"], shop)
    return asdict(understood_json(asked["address"], found.form, found.things, found.parts))
