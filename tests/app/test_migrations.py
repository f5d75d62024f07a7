"""A database of the first version comes along whole: builds, their history, parts, and edits of the catalogue."""

import json

from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.test import TransactionTestCase

from jungle.builds.models import BuildPart, StoredBuild
from jungle.builds.services import editing
from jungle.builds.services.parts import By, undo_edit
from jungle.catalogue.history import edit_labels
from jungle.catalogue.models import Entry
from tests.app.worlds import on, sheets_of
from tests.core import worlds

BEFORE = [("catalogue", "0004_what_a_list_says_of_a_part"), ("plans", "0001_initial")]


class FirstVersionTests(TransactionTestCase):
    def setUp(self) -> None:
        executor = MigrationExecutor(connection)
        executor.migrate(BEFORE)
        self.apps = executor.loader.project_state(BEFORE).apps
        self.addCleanup(self.migrate)

    def migrate(self) -> None:
        executor = MigrationExecutor(connection)
        executor.migrate(executor.loader.graph.leaf_nodes())

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
