"""The parts an owner can choose from."""

from collections.abc import Iterator, Mapping
from enum import StrEnum
from functools import lru_cache
from typing import Any

from django.conf import settings
from django.db import models
from django.db.models.functions import Coalesce

from core.model.build import Slot
from core.model.found import Listed
from core.model.parts import SHEET
from core.model.parts import Part as SpecSheet
from core.quantities import Money

SHEETS_KEPT = 4096


@lru_cache(maxsize=SHEETS_KEPT)
def read_sheet(document: str) -> SpecSheet:
    """The spec sheet in `document`. Sheets are frozen, so one that was read before serves again."""
    return SHEET.validate_json(document)


class Origin(StrEnum):
    """Where a sheet came from."""

    SAMPLE = "sample"
    OWN = "own"
    PACK = "pack"


def generated(path: str, field: "models.Field[Any, Any]") -> models.GeneratedField:
    """A column that the database fills with what the document has at `path`, whoever writes the document."""
    taken = models.Func(models.F("document"), models.Value(path), function="JSON_EXTRACT", output_field=field)
    told = taken if field.null else Coalesce(taken, models.Value(""), output_field=field)
    return models.GeneratedField(expression=told, output_field=field, db_persist=True)


class PartQuerySet(models.QuerySet["Part"]):
    """Parts of one or more owners."""

    def visible_to(self, user_id: int) -> "PartQuerySet":
        """The parts that belong to this user."""
        return self.filter(owner_id=user_id)

    def named(self, *names: str) -> "PartQuerySet":
        """The parts of these ids."""
        return self.filter(name_id__in=names)

    def touched(self) -> "PartQuerySet":
        """Parts that their owner wrote, or changed a fact of."""
        return self.filter(models.Q(origin=Origin.OWN) | ~models.Q(original=""))

    def listed(self) -> Iterator[Listed]:
        """A line for each part: enough to look for it, without reading its sheet."""
        lines = self.values_list("name_id", "kind", "slot", "maker", "name", "note", "price_minor", "currency")
        for id, kind, slot, maker, name, note, minor, currency in lines:
            price = None if minor is None else Money(minor, currency)
            yield Listed(id, kind, Slot(slot) if slot else None, maker, name, note, price)

    def sheets(self) -> Mapping[str, SpecSheet]:
        """The spec sheets, by part id."""
        return {part.name_id: part.sheet for part in self}


class Part(models.Model):
    """One spec sheet in one owner's catalogue."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="parts")
    name_id = models.SlugField(max_length=80)
    """The part's id in files and builds."""
    slot = models.CharField(max_length=20, db_index=True, blank=True)
    """The place on the chain where it hangs; empty for what is bought beside it."""
    kind = models.CharField(max_length=40, db_index=True, default="")
    document = models.TextField()
    """The spec sheet as a parts pack holds it, as JSON."""
    origin = models.CharField(
        max_length=10, choices=[(origin.value, origin.value) for origin in Origin], default=Origin.SAMPLE
    )
    original = models.TextField(blank=True, default="")
    """The sheet as it came, where its owner has changed a fact since; empty otherwise."""
    maker = generated("$.maker", models.TextField())
    name = generated("$.name", models.TextField())
    note = generated("$.note", models.TextField())
    price_minor = generated("$.price.minor", models.BigIntegerField(null=True))
    currency = generated("$.price.currency", models.CharField(max_length=3, null=True))

    objects = PartQuerySet.as_manager()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "name_id"], name="part_once_per_owner")]
        ordering = ["name_id"]

    def __str__(self) -> str:
        return self.name_id

    @property
    def sheet(self) -> SpecSheet:
        """The typed spec sheet."""
        return read_sheet(self.document)


class CatalogueEdit(models.Model):
    """One edit of a catalogue: the parts that it touched as they were before and after, `null` for not there."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="catalogue_edits")
    label = models.CharField(max_length=200)
    """What was done, as the undo button says it."""
    before = models.JSONField()
    after = models.JSONField()
    undone = models.BooleanField(default=False)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["pk"]

    def __str__(self) -> str:
        return self.label
