"""Shops' terms and offers as documents of their owner, and every edit of them."""

from enum import StrEnum
from uuid import uuid4

from django.conf import settings
from django.db import models

from jungle.catalogue.models import RecordedEdit

ID_LENGTH = 80


class What(StrEnum):
    """What a document tells of."""

    SHOP = "shop"
    OFFER = "offer"


class TermQuerySet(models.QuerySet["Term"]):
    """Documents of one or more owners."""

    def visible_to(self, user_id: int) -> "TermQuerySet":
        """Those that belong to this user."""
        return self.filter(owner_id=user_id)


class Term(models.Model):
    """A shop with its terms, or one offer."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="terms")
    what = models.CharField(max_length=5, choices=[(what.value, what.value) for what in What])
    term_id = models.CharField(max_length=ID_LENGTH)
    """The shop's or the offer's own id."""
    document = models.TextField()
    """As a shops file holds it, as JSON."""

    objects = TermQuerySet.as_manager()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "what", "term_id"], name="term_once_per_owner")]
        ordering = ["what", "term_id"]

    def __str__(self) -> str:
        return f"{self.what} {self.term_id}"


class KnownMarket(models.Model):
    """An owner's shops and offers as a whole. Whatever changes them meets at its revision."""

    owner = models.OneToOneField(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, primary_key=True, related_name="market"
    )
    revision = models.PositiveIntegerField(default=0)
    stamp = models.UUIDField(default=uuid4)
    """Another with every change, so that what was read before is known by it, in whichever database it is."""

    def __str__(self) -> str:
        return f"{self.owner}: {self.revision}"


class MarketEdit(RecordedEdit):
    """One edit of shops and offers, and the documents that it touched."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="market_edits")


class TouchedTerm(models.Model):
    """A document that an edit touched, as it was before and after; empty for one that was not there."""

    edit = models.ForeignKey(MarketEdit, on_delete=models.CASCADE, related_name="touched")
    what = models.CharField(max_length=5)
    term_id = models.CharField(max_length=ID_LENGTH)
    before = models.TextField(blank=True)
    after = models.TextField(blank=True)

    def __str__(self) -> str:
        return f"{self.what} {self.term_id}"
