"""Spec sheets, which belong to nobody and never change, and the entries by which each owner holds some of them."""

import json
from collections.abc import Iterable, Iterator, Mapping
from enum import StrEnum
from typing import Any

from django.conf import settings
from django.db import models
from django.db.models.functions import Coalesce

from core.model.build import Slot
from core.model.found import NAMING_FACTS, Listed, everyday_words
from core.model.parts import Part as SpecSheet
from core.quantities import Money
from jungle.catalogue.kept import sheets_by_digest

DIGEST_LENGTH = 64


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


def naming_facts() -> models.GeneratedField:
    """A column with all of `NAMING_FACTS`, in their order."""
    paths = (models.Value(f"$.{field}") for field in NAMING_FACTS)
    taken = models.Func(models.F("document"), *paths, function="JSON_EXTRACT", output_field=models.TextField())
    return models.GeneratedField(expression=taken, output_field=models.TextField(), db_persist=True)


class SheetQuerySet(models.QuerySet["Sheet"]):
    """Sheets, whoever has them."""

    def read(self, digests: Iterable[str]) -> Mapping[str, SpecSheet]:
        """The typed sheets of these digests; one that cannot be read is left out."""
        return sheets_by_digest(digests, self._documents)

    def _documents(self, digests: list[str]) -> "Iterable[tuple[str, str, int]]":
        return self.filter(pk__in=digests).values_list("pk", "document", "version")


class Sheet(models.Model):
    """One spec sheet. Found by its content, written once, and seen only through somebody's entry."""

    digest = models.CharField(max_length=DIGEST_LENGTH, primary_key=True)
    """SHA-256 of version and document."""
    version = models.PositiveSmallIntegerField()
    """The version that the document was written in."""
    kind = models.CharField(max_length=40, db_index=True)
    slot = models.CharField(max_length=20, db_index=True, blank=True)
    """The place on the chain where the part hangs; empty for what is bought beside it."""
    document = models.TextField()
    """The spec sheet as a parts pack holds it, as JSON."""
    maker = generated("$.maker", models.TextField())
    name = generated("$.name", models.TextField())
    note = generated("$.note", models.TextField())
    price_minor = generated("$.price.minor", models.BigIntegerField(null=True))
    currency = generated("$.price.currency", models.CharField(max_length=3, null=True))
    naming = naming_facts()
    """The facts that people name parts by, as a JSON list."""

    objects = SheetQuerySet.as_manager()

    def __str__(self) -> str:
        return f"{self.kind} {self.digest[:8]}"


class EntryQuerySet(models.QuerySet["Entry"]):
    """Entries of one or more owners."""

    def visible_to(self, user_id: int) -> "EntryQuerySet":
        """The entries that belong to this user."""
        return self.filter(owner_id=user_id)

    def named(self, *ids: str) -> "EntryQuerySet":
        """The entries of these parts."""
        return self.filter(part_id__in=ids)

    def of_kinds(self, *kinds: str) -> "EntryQuerySet":
        """The entries of parts of these kinds."""
        return self.filter(sheet__kind__in=kinds)

    def of_slots(self, *slots: str) -> "EntryQuerySet":
        """The entries of parts that hang in these places."""
        return self.filter(sheet__slot__in=slots)

    def touched(self) -> "EntryQuerySet":
        """Entries of parts that their owner wrote, or changed a fact of."""
        return self.filter(models.Q(origin=Origin.OWN) | models.Q(came_as__isnull=False))

    def listed(self) -> Iterator[Listed]:
        """A line for each part: enough to look for it, without reading its sheet."""
        columns = ("kind", "slot", "maker", "name", "note", "price_minor", "currency", "naming")
        lines = self.values_list("part_id", *(f"sheet__{column}" for column in columns))
        for id, kind, slot, maker, name, note, minor, currency, naming in lines:
            price = None if minor is None else Money(minor, currency)
            everyday = everyday_words(kind, dict(zip(NAMING_FACTS, json.loads(naming), strict=True)))
            yield Listed(id, kind, Slot(slot) if slot else None, maker, name, note, price, everyday)

    def digests(self) -> dict[str, str]:
        """The digest of each part's sheet, by part id."""
        return dict(self.values_list("part_id", "sheet_id"))

    def sheets(self) -> Mapping[str, SpecSheet]:
        """The spec sheets, by part id; one that cannot be read is left out."""
        digests = self.digests()
        found = Sheet.objects.read(digests.values())
        return {id: found[digest] for id, digest in digests.items() if digest in found}


class Entry(models.Model):
    """One part in one owner's catalogue: the sheet that it has there, and the one that it came with."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="entries")
    part_id = models.CharField(max_length=80)
    """The part's id in files and builds."""
    sheet = models.ForeignKey(Sheet, on_delete=models.PROTECT, related_name="+")
    came_as = models.ForeignKey(Sheet, on_delete=models.PROTECT, related_name="+", null=True)
    """The sheet as it came, where its owner has changed a fact since; nothing otherwise."""
    origin = models.CharField(max_length=10, choices=[(origin.value, origin.value) for origin in Origin])
    revision = models.PositiveIntegerField(default=0)
    """The catalogue's revision of the edit that left it like this; an edit must name the one it was made on."""

    objects = EntryQuerySet.as_manager()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "part_id"], name="entry_once_per_owner")]
        ordering = ["part_id"]

    def __str__(self) -> str:
        return self.part_id

    @property
    def spec(self) -> SpecSheet:
        """The typed spec sheet."""
        return Sheet.objects.read([self.sheet_id])[self.sheet_id]


class Catalogue(models.Model):
    """An owner's catalogue as a whole. Whatever changes it, or relies on it, meets at its revision."""

    owner = models.OneToOneField(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, primary_key=True, related_name="catalogue"
    )
    revision = models.PositiveIntegerField(default=0)

    def __str__(self) -> str:
        return f"{self.owner}: {self.revision}"


class RecordedEdit(models.Model):
    """One edit that can be undone and made again: what was done, and when."""

    label = models.CharField(max_length=200)
    """What was done, as the undo button says it."""
    undone = models.BooleanField(default=False)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        abstract = True
        ordering = ["pk"]

    def __str__(self) -> str:
        return self.label


class CatalogueEdit(RecordedEdit):
    """One edit of a catalogue, and the entries that it touched."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="catalogue_edits")


class TouchedEntry(models.Model):
    """An entry that an edit touched, as it was before and after: digests of sheets, empty for one that was not there.

    Digests, and no references: a pack touches thousands at once, and `clear_unused_sheets` spares what they name.
    """

    edit = models.ForeignKey(CatalogueEdit, on_delete=models.CASCADE, related_name="touched")
    part_id = models.CharField(max_length=80)
    sheet_before = models.CharField(max_length=DIGEST_LENGTH, blank=True)
    came_as_before = models.CharField(max_length=DIGEST_LENGTH, blank=True)
    origin_before = models.CharField(max_length=10, blank=True)
    sheet_after = models.CharField(max_length=DIGEST_LENGTH, blank=True)
    came_as_after = models.CharField(max_length=DIGEST_LENGTH, blank=True)
    origin_after = models.CharField(max_length=10, blank=True)

    def __str__(self) -> str:
        return self.part_id
