"""Long work: asked for, looked at, cancelled."""

from typing import Any
from uuid import UUID

from ninja import Router

from jungle.api.replies import send
from jungle.api.requests import SignedIn
from jungle.api.schemas import Problems
from jungle.api.shop_schemas import BasketsAsked, BasketsJob, JobNow
from jungle.worker import jobs
from jungle.worker.alone import somebody_works
from jungle.worker.models import OPEN, Job, JobKind, JobState

router = Router(tags=["jobs"])
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}


@router.post("/builds/{int:build_id}/money/baskets", response={202: BasketsJob, **NOT_THERE})
def ask_baskets(request: SignedIn, build_id: int, body: BasketsAsked) -> Any:
    """Have the best baskets worked out, for the build as it is now."""
    job = jobs.ask(request.user, build_id, JobKind.BASKETS, body.model_dump(mode="json"))
    return send(_told(job), 202)


@router.get("/builds/{int:build_id}/money/baskets", response={200: BasketsJob, **NOT_THERE})
def read_baskets(request: SignedIn, build_id: int) -> Any:
    """The baskets that were asked for last, or how far they are."""
    return send(_told(jobs.latest_job(request.user, build_id, JobKind.BASKETS)))


@router.post("/jobs/{job_id}/cancel", response={200: JobNow, **NOT_THERE})
def cancel(request: SignedIn, job_id: UUID) -> Any:
    """Work on it no more."""
    return send(_now(jobs.cancel(request.user, str(job_id))))


def _told(job: Job | None) -> BasketsJob:
    if job is None:
        return BasketsJob.model_construct(job=None, baskets=None)
    found = BasketsJob.found_in(job.result) if job.state == JobState.DONE else None
    return BasketsJob.model_construct(job=_now(job), baskets=found)


def _now(job: Job) -> JobNow:
    is_open = job.state in OPEN
    return JobNow(
        id=str(job.pk),
        state=JobState(job.state),
        words=job.words,
        share_done=job.share_done,
        revision=job.revision,
        nobody_works=is_open and not somebody_works(),
    )
