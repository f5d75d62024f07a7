"""Jobs: what is worked out outside of requests, for whom, on which state of a build, and how far it is."""

import json
from enum import StrEnum
from typing import Any
from uuid import uuid4

from django.conf import settings
from django.db import models

from jungle.builds.models import StoredBuild


class JobState(StrEnum):
    """How far a job is."""

    WAITING = "waiting"
    RUNNING = "running"
    DONE = "done"
    FAILED = "failed"
    CANCELLED = "cancelled"


OPEN = (JobState.WAITING, JobState.RUNNING)


class JobKind(StrEnum):
    """What is worked out."""

    BASKETS = "baskets"
    LICENCES = "licences"
    ROOMS = "rooms"
    ROUND = "round"
    SOURCE = "source"
    WATCHES = "watches"
    HISTORY = "history"
    BACK_TEST = "back test"


class JobQuerySet(models.QuerySet["Job"]):
    """Jobs of one or more owners."""

    def visible_to(self, user_id: int) -> "JobQuerySet":
        """Those that belong to this user."""
        return self.filter(owner_id=user_id)

    def open(self) -> "JobQuerySet":
        """Those that are not over."""
        return self.filter(state__in=OPEN)


class Job(models.Model):
    """One piece of long work. The queue carries its id alone; this row says whether it is still to be done."""

    id = models.UUIDField(primary_key=True, default=uuid4, editable=False)
    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="jobs")
    kind = models.CharField(max_length=20, choices=[(kind.value, kind.value) for kind in JobKind])
    build = models.ForeignKey(StoredBuild, on_delete=models.CASCADE, related_name="jobs", null=True)
    """Which it is worked out for; empty for what is of no build."""
    revision = models.PositiveIntegerField(default=0)
    """The build's."""
    asked = models.TextField(default="{}")
    """What was asked, as JSON."""
    state = models.CharField(
        max_length=10, default=JobState.WAITING.value, choices=[(state.value, state.value) for state in JobState]
    )
    words = models.CharField(max_length=200, blank=True)
    """What is looked at just now; of one that failed, why."""
    share_done = models.FloatField(default=0.0)
    result = models.TextField(blank=True)
    """What was found, as JSON."""
    attempts = models.PositiveSmallIntegerField(default=0)
    """How often it was begun: again after a worker was killed."""
    asked_at = models.DateTimeField(auto_now_add=True)

    objects = JobQuerySet.as_manager()

    class Meta:
        ordering = ["-asked_at"]
        indexes = [models.Index(fields=["build", "kind", "-asked_at"], name="job_latest")]

    @property
    def wishes(self) -> dict[str, Any]:
        """What was asked."""
        return dict(json.loads(self.asked))

    @property
    def of_build(self) -> StoredBuild:
        """The build that it is worked out for, where it is of one."""
        assert self.build is not None, f"a job of kind {self.kind} is of a build"
        return self.build

    def __str__(self) -> str:
        return f"{self.kind} of {self.build_id}"
