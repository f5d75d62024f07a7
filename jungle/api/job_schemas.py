"""What goes in and out of the endpoints of long work."""

from datetime import date
from typing import Annotated, TypeVar

from ninja import Schema
from pydantic import ConfigDict, Field, TypeAdapter, ValidationError

from core.formats.report_json.baskets import BasketsJson
from core.formats.report_json.licences import LicencesJson
from core.formats.report_json.rooms import RoomsJson
from core.model.record import Identifier, Several
from core.model.shops import MOST_SHOPS
from jungle.api.changes import Change
from jungle.worker.alone import somebody_works
from jungle.worker.models import OPEN, Job, JobState

T = TypeVar("T")
NOTHING = "{}"


class BasketsAsked(Schema):
    """What baskets must keep to."""

    model_config = ConfigDict(extra="forbid")

    most_shops: Annotated[int, Field(strict=True, ge=1, le=20)] | None = None
    new_only: bool = False
    here_by: date | None = None
    not_shops: Annotated[list[Identifier], Field(max_length=MOST_SHOPS)] = []


class JobNow(Schema):
    """How far long work is."""

    id: str
    state: JobState
    words: str
    share_done: float
    revision: int
    """Of the build that it is, or was, worked out for."""
    nobody_works: bool
    """It waits, and no worker is there to do it."""


class BasketsJob(Schema):
    """Baskets, or how far they are; neither where none were asked for yet."""

    job: JobNow | None
    baskets: BasketsJson | None


class LicencesJob(Schema):
    """Sets of licences, or how far they are; neither where none were asked for yet."""

    job: JobNow | None
    licences: LicencesJson | None
    """Nothing where neither monitor nor software hangs."""


class RoomsJob(Schema):
    """What rooms allow, or how far that is; neither where nobody asked for it yet."""

    job: JobNow | None
    rooms: RoomsJson | None
    of_now: bool
    """What was asked last is of the build as it is, in the units that are asked for."""


class FurtherPlan(Schema):
    """The plan of a further title or monitor, by the extra that it is."""

    extra: Identifier
    plan: Identifier | None = None


class LicencesTaken(Change):
    """A set of licences to take."""

    monitor_plan: Identifier | None = None
    title_plan: Identifier | None = None
    add_ons: Several[Identifier] = ()
    further: Several[FurtherPlan] = ()


def job_found(job: Job | None, kind: type[T]) -> T | None:
    """What a job found, as it was told then; nothing of one that is not done, or found nothing, or was told in another
    way before an upgrade."""
    if job is None or job.state != JobState.DONE or job.result == NOTHING:
        return None
    try:
        return TypeAdapter(kind).validate_json(job.result)
    except ValidationError:
        return None


def job_now(job: Job) -> JobNow:
    """How far a job is."""
    is_open = job.state in OPEN
    return JobNow(
        id=str(job.pk),
        state=JobState(job.state),
        words=job.words,
        share_done=job.share_done,
        revision=job.revision,
        nobody_works=is_open and not somebody_works(),
    )
