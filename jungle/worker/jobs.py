"""Asking for long work, looking at it, cancelling it; and doing it, once, wherever a worker was killed."""

import json
import logging
import time
from collections.abc import Callable, Mapping
from datetime import timedelta
from functools import partial
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone
from django_tasks import task
from django_tasks.base import TaskResultStatus
from django_tasks_db.models import DBTaskResult

from core.formats.errors import BadFile
from core.model.facts import MissingFact
from core.model.progress import Progress, Stopped
from jungle.builds.models import UnreadableBuild
from jungle.builds.services.editing import NothingThere, find_build
from jungle.market.hosts import NotFetched
from jungle.market.rounds import begin_round, owners_due
from jungle.watching.watches import owners_to_look_for
from jungle.worker.models import Job, JobKind, JobState

KEPT = 20
"""Jobs of one build that are kept when they are over."""
RETRIED_AFTER_S = 600
"""What went wrong is not begun by itself again before."""
MOST_ATTEMPTS = 3
"""A job whose worker was killed so often is what kills them."""
TOLD_EVERY_S = 0.3
log = logging.getLogger(__name__)

Work = Callable[[Job, Progress], Mapping[str, Any]]
"""Works out a job. Raises `Stopped` where it was told to go on no more."""
WORKS: dict[JobKind, Callable[[], Work]] = {}
"""By kind: what imports the work, in the worker alone."""


def ask(actor: User, build_id: int | None, kind: JobKind, asked: Mapping[str, Any]) -> Job:
    """Have something worked out for a build as it is now, or for none; what was asked of it before is cancelled."""
    build = None if build_id is None else find_build(build_id, actor)
    alike = Job.objects.visible_to(actor.pk).filter(build=build)
    with transaction.atomic():
        alike.open().filter(kind=kind).update(state=JobState.CANCELLED)
        over = alike.order_by("-asked_at").values_list("pk", flat=True)[KEPT:]
        Job.objects.filter(pk__in=list(over)).delete()
        revision = build.revision if build else 0
        job = Job.objects.create(owner=actor, kind=kind, build=build, revision=revision, asked=json.dumps(dict(asked)))
        _queue(job)
    return job


def ask_round(actor: User) -> Job:
    """Have all prices read; the round that is being read already, where one is."""
    going = Job.objects.visible_to(actor.pk).open().filter(kind=JobKind.ROUND).first()
    return going or ask(actor, None, JobKind.ROUND, {"round": begin_round(actor.pk).pk})


def ask_due_rounds() -> int:
    """Have the prices read of everybody whose sources are to be read again; answers of how many."""
    due = User.objects.filter(pk__in=owners_due())
    return len([ask_round(owner) for owner in due])


def ask_due_watches() -> int:
    """Have looked at what is waited for, of everybody whose builds or shops were changed; answers of how many."""
    due = User.objects.filter(pk__in=owners_to_look_for())
    at_it = Job.objects.open().filter(kind__in=(JobKind.ROUND, JobKind.WATCHES)).values("owner")
    lately = timezone.now() - timedelta(seconds=RETRIED_AFTER_S)
    failed = Job.objects.filter(kind=JobKind.WATCHES, state=JobState.FAILED, asked_at__gt=lately).values("owner")
    wanted = due.exclude(pk__in=at_it).exclude(pk__in=failed)
    return len([ask(owner, None, JobKind.WATCHES, {}) for owner in wanted])


def find_job(actor: User, job_id: str) -> Job:
    """A job of one's own. Raises `NothingThere`."""
    job = Job.objects.visible_to(actor.pk).filter(pk=job_id).first()
    if job is None:
        raise NothingThere("There is no such job.")
    return job


def latest_job(actor: User, build_id: int | None, kind: JobKind) -> Job | None:
    """What was asked last of a build, or of none; `None` where nothing was."""
    build = None if build_id is None else find_build(build_id, actor)
    return Job.objects.visible_to(actor.pk).filter(build=build, kind=kind).first()


def cancel(actor: User, job_id: str) -> Job:
    """Stop working on it, or do not begin; one that is over stays as it is. Raises `NothingThere`."""
    job = find_job(actor, job_id)
    Job.objects.open().filter(pk=job.pk).update(state=JobState.CANCELLED, words="")
    job.refresh_from_db()
    return job


def recover() -> int:
    """Take up what a worker left when it was killed; answers how many. For a worker that is alone, as it starts."""
    DBTaskResult.objects.filter(status=TaskResultStatus.RUNNING).delete()
    left = list(Job.objects.filter(state=JobState.RUNNING))
    for job in left:
        if job.attempts >= MOST_ATTEMPTS:
            words = f"Begun {job.attempts} times, and each time its worker ended."
            Job.objects.filter(pk=job.pk).update(state=JobState.FAILED, words=words)
        else:
            with transaction.atomic():
                Job.objects.filter(pk=job.pk, state=JobState.RUNNING).update(state=JobState.WAITING, share_done=0.0)
                _queue(job)
    return len(left)


@task()
def do(job_id: str) -> None:
    """Work out a job, unless it is over, or somebody else is at it."""
    waiting = Job.objects.filter(pk=job_id, state=JobState.WAITING)
    job = waiting.select_related("owner").first()
    if job is None or not waiting.update(state=JobState.RUNNING, attempts=job.attempts + 1):
        return
    report = _Reporter(job)
    try:
        result = WORKS[JobKind(job.kind)]()(job, report)
    except Stopped:
        return
    except (MissingFact, NothingThere, UnreadableBuild, NotFetched, BadFile) as refusal:
        report.over(JobState.FAILED, str(refusal))
    except Exception:
        report.over(JobState.FAILED, "Something went wrong in it; the log of the worker says what.")
        log.exception("Job %s failed", job_id)
    else:
        report.over(JobState.DONE, "", json.dumps(dict(result)))


class _Reporter:
    """Writes down how far a job is, now and then, and asks whether it is still wanted."""

    def __init__(self, job: Job) -> None:
        self.running = Job.objects.filter(pk=job.pk, state=JobState.RUNNING)
        self.told_at = 0.0
        self.wanted = True

    def __call__(self, share_done: float, words: str) -> bool:
        if self.wanted and time.monotonic() - self.told_at > TOLD_EVERY_S:
            self.told_at = time.monotonic()
            self.wanted = bool(self.running.update(share_done=share_done, words=words[:200]))
        return self.wanted

    def over(self, state: JobState, words: str, result: str = "") -> None:
        """Nothing is written of one that was cancelled meanwhile."""
        self.running.update(state=state, words=words[:200], result=result, share_done=1.0)


def _queue(job: Job) -> None:
    do.enqueue(str(job.pk))


def _imported(name: str) -> Work:
    from importlib import import_module

    module, function = name.rsplit(".", 1)
    return getattr(import_module(module), function)  # type: ignore[no-any-return]


WORKS[JobKind.BASKETS] = partial(_imported, "jungle.worker.baskets.work_out")
WORKS[JobKind.LICENCES] = partial(_imported, "jungle.worker.licences.work_out")
WORKS[JobKind.ROUND] = partial(_imported, "jungle.worker.rounds.work_out")
WORKS[JobKind.WATCHES] = partial(_imported, "jungle.worker.rounds.look")
WORKS[JobKind.HISTORY] = partial(_imported, "jungle.worker.history.work_out")
WORKS[JobKind.BACK_TEST] = partial(_imported, "jungle.worker.back_test.work_out")
WORKS[JobKind.SOURCE] = partial(_imported, "jungle.worker.sources.work_out")
WORKS[JobKind.ROOMS] = partial(_imported, "jungle.worker.rooms.work_out")
