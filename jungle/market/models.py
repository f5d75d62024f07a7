"""Shops' terms and offers as documents of their owner, and every edit of them."""

from enum import StrEnum
from uuid import uuid4

from django.conf import settings
from django.db import models
from django.utils import timezone

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


class Series(models.Model):
    """All that was seen of one part in one shop and condition."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="price_series")
    part = models.CharField(max_length=ID_LENGTH)
    shop = models.CharField(max_length=ID_LENGTH)
    sold_as = models.CharField(max_length=12)
    currency = models.CharField(max_length=3)
    """Of what is believed of it."""
    tax_included = models.BooleanField(default=True)
    newest = models.ForeignKey("Observation", null=True, on_delete=models.SET_NULL, related_name="+")
    days_from = models.DateField(null=True)
    days = models.BinaryField(default=bytes)
    """The price on each day from `days_from` on, eight bytes each, 0 where none is known and -1 where it was sold out:
    what screens read, made of the observations that are believed."""

    believed = models.PositiveIntegerField(default=0)
    """How many observations those days rest on."""

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "part", "shop", "sold_as"], name="series_once")]

    def __str__(self) -> str:
        return f"{self.part} at {self.shop}, {self.sold_as}"


class Observation(models.Model):
    """A price as it was seen on one day, and on each look up to the last one that found the same; never overwritten."""

    series = models.ForeignKey(Series, on_delete=models.CASCADE, related_name="observations")
    minor = models.PositiveBigIntegerField()
    currency = models.CharField(max_length=3)
    tax_included = models.BooleanField(default=True)
    in_stock = models.BooleanField(default=True)
    bulky = models.BooleanField(null=True)
    first_seen = models.DateField()
    last_seen = models.DateField()
    source = models.CharField(max_length=8)
    address = models.CharField(max_length=120, blank=True)
    held_back = models.CharField(max_length=200, blank=True)
    """Why it is not believed until somebody confirms it."""
    struck = models.CharField(max_length=200, blank=True)
    """Why somebody struck it out."""

    class Meta:
        indexes = [models.Index(fields=["series", "first_seen"], name="observations_by_day")]
        ordering = ["first_seen", "pk"]

    def __str__(self) -> str:
        return f"{self.minor} {self.currency}, {self.first_seen} to {self.last_seen}"


class PriceSource(models.Model):
    """Where a shop tells its prices, or a bank its rates: at an address that its owner has allowed."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="price_sources")
    shop = models.CharField(max_length=ID_LENGTH, blank=True)
    """Empty for a list of exchange rates."""
    address = models.CharField(max_length=400)
    private = models.BooleanField(default=False)
    """Its host may be a private address."""
    paused = models.BooleanField(default=False)
    known = models.TextField(default="{}")
    """What the shop sells, as JSON: its number, the part that it is, and what the shop called it then."""
    listed = models.TextField(default="[]")
    """Parts and conditions of which it told last that they are in stock, as JSON."""
    etag = models.CharField(max_length=200, blank=True)
    last_modified = models.CharField(max_length=80, blank=True)
    read_at = models.DateTimeField(null=True)
    """When it was read last; empty for one that never was."""
    failed = models.CharField(max_length=200, blank=True)
    """Why it could not be read the last time; empty where it could."""

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "address"], name="source_once_per_owner")]
        ordering = ["shop", "pk"]

    def __str__(self) -> str:
        return self.address


class Round(models.Model):
    """One reading of all sources."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="rounds")
    begun_at = models.DateTimeField(auto_now_add=True)
    ended_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ["-pk"]

    def __str__(self) -> str:
        return f"{self.owner_id}, {self.begun_at}"


class ReadingState(StrEnum):
    """How far the reading of one source is."""

    WAITING = "waiting"
    READ = "read"
    FAILED = "failed"


class Reading(models.Model):
    """One source in one round: not read yet, or what came of it."""

    round = models.ForeignKey(Round, on_delete=models.CASCADE, related_name="readings")
    source = models.ForeignKey(PriceSource, on_delete=models.CASCADE, related_name="readings")
    state = models.CharField(max_length=8, default=ReadingState.WAITING.value)
    words = models.CharField(max_length=400, blank=True)
    """What came of it, for a person."""
    things = models.PositiveIntegerField(default=0)
    """Of which it told."""
    new = models.PositiveIntegerField(default=0)
    extended = models.PositiveIntegerField(default=0)
    held_back = models.PositiveIntegerField(default=0)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["round", "source"], name="source_once_a_round")]
        ordering = ["pk"]

    def __str__(self) -> str:
        return f"{self.source}: {self.state}"


class KnownMarket(models.Model):
    """An owner's shops and offers as a whole. Whatever changes them meets at its revision."""

    owner = models.OneToOneField(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, primary_key=True, related_name="market"
    )
    revision = models.PositiveIntegerField(default=0)
    stamp = models.UUIDField(default=uuid4)
    """Another with every change, so that what was read before is known by it, in whichever database it is."""
    changed_at = models.DateTimeField(default=timezone.now)
    """When shops or offers were changed last, or a change was undone or made again."""
    read_every_hours = models.PositiveSmallIntegerField(null=True)
    """How often all sources are read; empty for only when somebody asks."""
    rates = models.TextField(blank=True)
    """The list of exchange rates that was read last, as JSON."""

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
