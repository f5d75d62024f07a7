"""Builds with their whole edit history, and each person's preferences."""

from typing import Any

from django.conf import settings
from django.db import models
from django.utils.functional import cached_property

from core.model.build import Build as BuildDocument
from core.quantities import UnitSystem


class Profile(models.Model):
    """How one person reads and types quantities."""

    user = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="profile")
    units = models.CharField(
        max_length=10, choices=[(system.value, system.value) for system in UnitSystem], default=UnitSystem.METRIC
    )

    def __str__(self) -> str:
        return f"{self.user}: {self.units}"


class BuildQuerySet(models.QuerySet["Build"]):
    """Builds of one or more owners."""

    def visible_to(self, user_id: int) -> "BuildQuerySet":
        """The builds that belong to this user."""
        return self.filter(owner_id=user_id)


class Build(models.Model):
    """One build. Its document is the aggregate the core evaluates: it is read and written whole."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="builds")
    name = models.CharField(max_length=120)
    document = models.TextField()
    """Brief, room, layout and chain as a build file holds them, as JSON."""
    revision = models.PositiveIntegerField(default=0)
    """Grows with every change, undo included; an edit must name the one it was made on."""
    edit_number = models.PositiveIntegerField(default=0)
    """The edit in the history that `document` is the outcome of."""
    created_at = models.DateTimeField(auto_now_add=True)
    changed_at = models.DateTimeField(auto_now=True)

    objects = BuildQuerySet.as_manager()

    class Meta:
        ordering = ["-changed_at", "-id"]

    def __str__(self) -> str:
        return self.name

    @cached_property
    def plan(self) -> BuildDocument:
        """The typed document, read once."""
        return BuildDocument.model_validate_json(self.document)

    def become(self, plan: BuildDocument, edit_number: int) -> None:
        """Take `plan`, the outcome of edit `edit_number`, as the document of the next revision, and store it."""
        self.document, self.plan = plan.model_dump_json(), plan
        self.name, self.edit_number = plan.name, edit_number
        self.revision += 1
        self.save()

    def refresh_from_db(self, *args: Any, **kwargs: Any) -> None:
        """Read again, the typed document included."""
        super().refresh_from_db(*args, **kwargs)
        self.__dict__.pop("plan", None)


class Edit(models.Model):
    """One edit: who made it, what it was, and the document it left. Number 0 is how the build began."""

    build = models.ForeignKey(Build, on_delete=models.CASCADE, related_name="edits")
    number = models.PositiveIntegerField()
    label = models.CharField(max_length=200)
    actor = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    document = models.TextField()
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["build", "number"], name="edit_once_per_number")]
        ordering = ["build", "number"]

    def __str__(self) -> str:
        return f"{self.build}: {self.number} {self.label}"
