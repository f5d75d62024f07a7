"""Watches, and each time that one was crossed."""

from django.conf import settings
from django.db import models

from core.model.watch import Watch
from jungle.builds.models import StoredBuild


class StoredWatch(models.Model):
    """What somebody waits for, and how it stood when it was looked at last."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="watches")
    build = models.ForeignKey(StoredBuild, on_delete=models.CASCADE, related_name="watches")
    document = models.TextField()
    """The watch, as JSON."""
    label = models.CharField(max_length=200)
    """What is watched, as it was called when it was set."""
    under = models.BooleanField(default=False)
    """It was at its target or under it."""
    crossings = models.PositiveIntegerField(default=0)
    figure_minor = models.PositiveBigIntegerField(null=True)
    """What it was when it was looked at last; empty where nobody knows."""
    words = models.CharField(max_length=300, blank=True)
    """What the figure is of; why there is none."""
    looked_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ["pk"]

    @property
    def watch(self) -> Watch:
        """What is waited for."""
        return Watch.model_validate_json(self.document)

    def __str__(self) -> str:
        return self.label


class AskedFirst(models.Model):
    """What somebody answered who was asked before a thing was bought."""

    build = models.ForeignKey(StoredBuild, on_delete=models.CASCADE, related_name="asked_first")
    question = models.CharField(max_length=40)
    answer = models.CharField(max_length=500)
    answered_on = models.DateField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["build", "question"], name="answer_once_a_question")]

    def __str__(self) -> str:
        return f"{self.question}: {self.answer}"


class Alert(models.Model):
    """A watch came to its target: told once, however often it is looked at."""

    watch = models.ForeignKey(StoredWatch, on_delete=models.CASCADE, related_name="alerts")
    crossing = models.PositiveIntegerField()
    at = models.DateTimeField(auto_now_add=True)
    currency = models.CharField(max_length=3)
    target_minor = models.PositiveBigIntegerField()
    """What was waited for then: a watch may wait for something else by now."""
    minor = models.PositiveBigIntegerField()
    before_minor = models.PositiveBigIntegerField(null=True)
    """What it was when it was looked at before; empty where nobody knew."""
    words = models.CharField(max_length=300)
    effect = models.CharField(max_length=300, blank=True)
    """What the build comes to with it."""
    seen = models.BooleanField(default=False)
    mailed = models.BooleanField(default=False)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["watch", "crossing"], name="alert_once_a_crossing")]
        ordering = ["-pk"]

    def __str__(self) -> str:
        return f"{self.watch}, {self.minor}"
