"""Builds with their whole edit history, and each person's preferences."""

from typing import Any

from django.conf import settings
from django.db import models
from django.utils.functional import cached_property

from core.formats.versions import CURRENT
from core.model.build import Build
from core.model.chain import UnknownPart
from core.quantities import UnitSystem
from jungle.builds.judging import CannotBeShown, Judged, design_stored, judge_stored
from jungle.catalogue.models import Sheet


class Profile(models.Model):
    """How one person reads and types quantities."""

    user = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="profile")
    units = models.CharField(
        max_length=10, choices=[(system.value, system.value) for system in UnitSystem], default=UnitSystem.METRIC
    )

    def __str__(self) -> str:
        return f"{self.user}: {self.units}"


class UnreadableBuild(Exception):
    """A build cannot be shown as it is stored. Carries it, and says why; it can still be undone and deleted."""

    def __init__(self, build: "StoredBuild", why: str) -> None:
        super().__init__(why)
        self.build = build


class StoredBuilds(models.QuerySet["StoredBuild"]):
    """Builds of one or more owners."""

    def visible_to(self, user_id: int) -> "StoredBuilds":
        """The builds that belong to this user, but for those that were deleted."""
        return self.filter(owner_id=user_id, deleted_at=None)

    def deleted_by(self, user_id: int) -> "StoredBuilds":
        """The builds of this user that were deleted and can be brought back."""
        return self.filter(owner_id=user_id, deleted_at__isnull=False)

    def with_catalogue(self) -> "StoredBuilds":
        """Each build with the revision of its owner's catalogue as `catalogue_revision`."""
        return self.annotate(catalogue_revision=models.F("owner__catalogue__revision"))


class StoredBuild(models.Model):
    """One build. Its document is the aggregate the core evaluates: it is read and written whole."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="builds")
    name = models.CharField(max_length=120)
    document = models.TextField()
    """Brief, room, layout and chain as a build file holds them, as JSON."""
    version = models.PositiveSmallIntegerField(default=CURRENT)
    """The version that `document` was written in."""
    revision = models.PositiveIntegerField(default=0)
    """Grows with every change, undo included; an edit must name the one it was made on."""
    edit_number = models.PositiveIntegerField(default=0)
    """The edit in the history that `document` is the outcome of."""
    summary = models.JSONField(null=True)
    """What the list of builds says of it, as `services.builds` makes it: of this revision, on the day it names."""
    keys = models.JSONField(default=list)
    """Keys of the newest changes: one that is sent again, since its answer was lost, is not made twice."""
    created_at = models.DateTimeField(auto_now_add=True)
    changed_at = models.DateTimeField()
    grows_from = models.ForeignKey("self", null=True, blank=True, on_delete=models.SET_NULL, related_name="grown")
    """The build that this one is the next step of."""
    deleted_at = models.DateTimeField(null=True)
    """It is brought back, or after some weeks gone for good."""

    objects = StoredBuilds.as_manager()

    class Meta:
        db_table = "plans_build"
        ordering = ["-changed_at", "-id"]

    def __str__(self) -> str:
        return self.name

    @cached_property
    def design(self) -> Build:
        """The typed document, read once. Raises `UnreadableBuild`."""
        try:
            return design_stored(self.document, self.version)
        except ValueError as error:
            raise UnreadableBuild(self, "What is stored of it cannot be read.") from error

    @cached_property
    def judged(self) -> Judged:
        """The report on it, with the sheets that its owner has today. Raises `UnreadableBuild`."""
        assert self.design
        try:
            return judge_stored(self.document, self.version, self.owner_id)
        except (UnknownPart, CannotBeShown) as error:
            raise UnreadableBuild(self, str(error)) from error

    @cached_property
    def labels(self) -> tuple[str | None, str | None]:
        """What undo would take back, and what redo would make again."""
        numbers = (self.edit_number, self.edit_number + 1)
        labels = dict(self.edits.filter(number__in=numbers).values_list("number", "label"))
        return labels.get(self.edit_number) if self.edit_number else None, labels.get(self.edit_number + 1)

    answer: str = ""
    """What an edit answers, made before it was stored."""

    def refresh_from_db(self, *args: Any, **kwargs: Any) -> None:
        """Read again, what is made of it included."""
        super().refresh_from_db(*args, **kwargs)
        for made in ("design", "judged", "labels", "answer"):
            self.__dict__.pop(made, None)


class Edit(models.Model):
    """One edit: who made it, what it was, and what it left. Number 0 is how the build began.

    What it left is kept whole now and then, and in between as the difference to the edit before (`builds.history`).
    """

    build = models.ForeignKey(StoredBuild, on_delete=models.CASCADE, related_name="edits")
    number = models.PositiveIntegerField()
    label = models.CharField(max_length=200)
    actor = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    document = models.TextField(blank=True)
    """The whole document; empty where the difference is kept."""
    difference = models.TextField(blank=True)
    """What turns the document of the edit before into this one's, as a JSON Patch (RFC 6902)."""
    version = models.PositiveSmallIntegerField(default=CURRENT)
    """The version that the document was written in."""
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["build", "number"], name="edit_once_per_number")]
        ordering = ["build", "number"]

    def __str__(self) -> str:
        return f"{self.build}: {self.number} {self.label}"


class BuildPart(models.Model):
    """Ties a build to a part that it names, under a plan: today, or so that undoing an edit finds the sheet again."""

    build = models.ForeignKey(StoredBuild, on_delete=models.CASCADE, related_name="ties")
    part_id = models.CharField(max_length=80, db_index=True)
    plan = models.CharField(max_length=80, blank=True)
    """The licence chosen for it, where one is."""
    sheet = models.ForeignKey(Sheet, on_delete=models.PROTECT, related_name="+")
    """The sheet that the part had when the build was last judged with it."""
    current = models.BooleanField(default=True)
    """The build names it as it is now; otherwise an edit of its history does."""

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["build", "part_id", "plan", "sheet"], name="tie_once_per_sheet"),
        ]

    def __str__(self) -> str:
        return f"{self.build}: {self.part_id}"
