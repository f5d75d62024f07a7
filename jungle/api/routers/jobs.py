"""Long work: asked for, looked at, cancelled."""

from typing import Any
from uuid import UUID

from ninja import Router

from core.checks.licence_sets import Choice
from core.formats.report_json.baskets import BasketsJson
from core.formats.report_json.licences import LicencesJson
from core.formats.report_json.rooms import RoomsJson
from jungle.api.job_schemas import (
    BasketsAsked,
    BasketsJob,
    JobNow,
    LicencesJob,
    LicencesTaken,
    RoomsJob,
    job_found,
    job_now,
)
from jungle.api.replies import edit_on, send, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import Problems
from jungle.builds.services import licences
from jungle.builds.services.people import units_of
from jungle.worker import jobs
from jungle.worker.models import JobKind

router = Router(tags=["jobs"])
NOT_THERE: dict[int, Any] = {404: Problems, 422: Problems}


@router.post("/builds/{int:build_id}/money/baskets", response={202: BasketsJob, **NOT_THERE})
def ask_baskets(request: SignedIn, build_id: int, body: BasketsAsked) -> Any:
    """Have the best baskets worked out, for the build as it is now."""
    job = jobs.ask(request.user, build_id, JobKind.BASKETS, body.model_dump(mode="json"))
    return send(BasketsJob.model_construct(job=job_now(job), baskets=None), 202)


@router.get("/builds/{int:build_id}/money/baskets", response={200: BasketsJob, **NOT_THERE})
def read_baskets(request: SignedIn, build_id: int) -> Any:
    """The baskets that were asked for last, or how far they are."""
    job = jobs.latest_job(request.user, build_id, JobKind.BASKETS)
    return send(BasketsJob.model_construct(job=job_now(job) if job else None, baskets=job_found(job, BasketsJson)))


@router.post("/builds/{int:build_id}/money/licences", response={202: LicencesJob, **NOT_THERE})
def ask_licences(request: SignedIn, build_id: int) -> Any:
    """Have the sets of licences worked out, for the build as it is now."""
    job = jobs.ask(request.user, build_id, JobKind.LICENCES, {})
    return send(LicencesJob.model_construct(job=job_now(job), licences=None), 202)


@router.get("/builds/{int:build_id}/money/licences", response={200: LicencesJob, **NOT_THERE})
def read_licences(request: SignedIn, build_id: int) -> Any:
    """The sets of licences that were asked for last, or how far they are."""
    job = jobs.latest_job(request.user, build_id, JobKind.LICENCES)
    return send(LicencesJob.model_construct(job=job_now(job) if job else None, licences=job_found(job, LicencesJson)))


@router.post("/builds/{int:build_id}/money/licences/taken", response=EDIT_REPLIES)
def take_licences(request: SignedIn, build_id: int, body: LicencesTaken) -> Any:
    """Take a set of licences: plans and add-ons in one edit."""
    further = tuple((each.extra, each.plan) for each in body.further)
    choice = Choice(body.monitor_plan, body.title_plan, tuple(sorted(set(body.add_ons))), further)
    return show(request, licences.take_licences(edit_on(request, build_id, body), choice))


@router.post("/builds/{int:build_id}/rooms/compared", response={202: RoomsJob, **NOT_THERE})
def ask_rooms(request: SignedIn, build_id: int) -> Any:
    """Have what every room allows worked out, for the build as it is now and a reader of one's own units."""
    job = jobs.ask(request.user, build_id, JobKind.ROOMS, {"units": units_of(request.user)})
    return send(RoomsJob.model_construct(job=job_now(job), rooms=None, of_now=True), 202)


@router.get("/builds/{int:build_id}/rooms/compared", response={200: RoomsJob, **NOT_THERE})
def read_rooms(request: SignedIn, build_id: int) -> Any:
    """What every room allows, side by side, and what the chosen one is short of; or how far that is."""
    job = jobs.latest_job(request.user, build_id, JobKind.ROOMS)
    if job is None:
        return send(RoomsJob.model_construct(job=None, rooms=None, of_now=False))
    of_now = job.revision == job.of_build.revision and job.wishes["units"] == units_of(request.user)
    return send(RoomsJob.model_construct(job=job_now(job), rooms=job_found(job, RoomsJson), of_now=of_now))


@router.post("/jobs/{job_id}/cancel", response={200: JobNow, **NOT_THERE})
def cancel(request: SignedIn, job_id: UUID) -> Any:
    """Work on it no more."""
    return send(job_now(jobs.cancel(request.user, str(job_id))))
