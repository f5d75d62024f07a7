"""A database of the first version comes along whole: builds, their history, parts, and edits of the catalogue."""

import json
from collections.abc import Sequence
from datetime import date, timedelta

import numpy as np
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.test import TransactionTestCase

from jungle.builds.models import BuildPart, StoredBuild
from jungle.builds.services import editing
from jungle.builds.services.parts import By, undo_edit
from jungle.catalogue.history import edit_labels
from jungle.catalogue.models import Entry
from jungle.market.models import Observation, Series
from jungle.market.observing import confirm
from tests.app.worlds import on, sheets_of
from tests.core import worlds


class MigrationTestCase(TransactionTestCase):
    before: Sequence[tuple[str, str]]

    def setUp(self) -> None:
        executor = MigrationExecutor(connection)
        executor.migrate(self.before)
        self.apps = executor.loader.project_state(self.before).apps
        self.addCleanup(self.migrate)

    def migrate(self) -> None:
        executor = MigrationExecutor(connection)
        executor.migrate(executor.loader.graph.leaf_nodes())


class FirstVersionTests(MigrationTestCase):
    before = (("catalogue", "0004_what_a_list_says_of_a_part"), ("plans", "0001_initial"))

    def test_it_comes_along(self) -> None:
        user = self.apps.get_model("auth", "User").objects.create(username="ada")
        parts = self.apps.get_model("catalogue", "Part").objects
        for part in worlds.full_parts().values():
            sheet = part.model_dump(mode="json")
            parts.create(
                owner_id=user.pk, name_id=part.id, kind=sheet["kind"], document=json.dumps(sheet), origin="pack"
            )
        changed = parts.get(name_id="mat")
        changed.original, changed.document = changed.document, changed.document.replace('"Strip"', '"Own strip"')
        changed.save()
        out_of_bounds = worlds.screen(id="odd").model_dump(mode="json") | {"border_m": -3}
        parts.create(owner_id=user.pk, name_id="odd", kind="impact_screen", document=json.dumps(out_of_bounds))
        state = {"slot": "mat", "kind": "mat", "origin": "pack"}
        self.apps.get_model("catalogue", "CatalogueEdit").objects.create(
            owner_id=user.pk,
            label="Facts of Strip",
            before={"mat": {**state, "document": changed.original, "original": ""}},
            after={"mat": {**state, "document": changed.document, "original": changed.original}},
        )
        document = worlds.full_build().model_dump(mode="json")
        document["brief"]["no_subscriptions"] = True
        del document["brief"]["subscriptions"]
        wide = {**document, "room": {**document["room"], "lining_m": -1, "width_m": 5}}
        build = self.apps.get_model("plans", "Build").objects.create(
            owner_id=user.pk, name="Test", document=json.dumps(wide), revision=1, edit_number=1
        )
        edits = self.apps.get_model("plans", "Edit").objects
        for number, told in enumerate((document, wide)):
            edits.create(build=build, number=number, label="Edit", actor_id=user.pk, document=json.dumps(told))

        self.migrate()

        moved = StoredBuild.objects.get()
        owner = moved.owner
        self.assertEqual(
            (moved.design.room.width_m, moved.design.room.lining_m), (5, 0), "mended, and the rest as it was"
        )
        self.assertEqual(moved.design.brief.subscriptions, "rather_not")
        self.assertTrue(moved.judged.report.verdicts)
        self.assertEqual(set(BuildPart.objects.values_list("part_id", flat=True)), set(moved.design.parts_named))
        self.assertEqual(editing.undo(on(moved)).design.room.width_m, 4.6)
        sheets = sheets_of(owner)
        self.assertEqual((sheets["mat"].name, getattr(sheets["odd"], "border_m", 0)), ("Own strip", None))
        self.assertTrue(Entry.objects.get(part_id="mat").came_as)
        self.assertEqual(edit_labels(owner.pk), ("Facts of Strip", ""))
        undo_edit(By(owner))
        self.assertEqual(sheets_of(owner)["mat"].name, "Strip")
        self.assertFalse(Entry.objects.get(part_id="mat").came_as)


class SoldOutDaysTests(MigrationTestCase):
    """What was seen before it was told apart comes out as what is written down today."""

    before = (("market", "0003_sources"),)

    def test_days_are_what_they_would_be_if_they_were_seen_today(self) -> None:
        first = date(2026, 6, 1)
        seen = [(0, 4, True), (6, 9, False), (14, 20, True), (70, 70, False), (80, 85, True)]
        user = self.apps.get_model("auth", "User").objects.create(username="ada")
        series = self.apps.get_model("market", "Series").objects.create(
            owner_id=user.pk, part="mat", shop="larkmoor", sold_as="new", currency="EUR", days_from=first
        )
        days = np.zeros(86, dtype="<i8")
        # A price holds until the next look, at most three weeks.
        for low, high in ((0, 5), (14, 41), (80, 85)):
            days[low : high + 1] = 100_00
        series.days = days.tobytes()
        series.save()
        for low, high, in_stock in seen:
            self.apps.get_model("market", "Observation").objects.create(
                series=series,
                minor=100_00,
                currency="EUR",
                in_stock=in_stock,
                first_seen=first + timedelta(days=low),
                last_seen=first + timedelta(days=high),
                source="reading",
            )

        self.migrate()

        self.assertEqual(Series.objects.get().believed, 5)
        moved = bytes(Series.objects.get().days)
        confirm(user.pk, Observation.objects.order_by("pk")[0].pk)
        self.assertEqual(np.frombuffer(moved, "<i8").tolist(), np.frombuffer(Series.objects.get().days, "<i8").tolist())
        self.assertEqual(Series.objects.get().believed, 5)
        self.assertEqual(moved.count(np.array([-1], "<i8").tobytes()), 8 + 10)
