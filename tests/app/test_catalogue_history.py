"""Edits of the catalogue undone and made again: single facts, whole packs, and what builds would lose by it."""

from collections.abc import Callable
from typing import Any
from unittest.mock import patch

from core.model.parts import Part as SpecSheet
from jungle.builds.services.parts import By, PartsInUse, redo_edit, undo_edit
from jungle.catalogue import history
from jungle.catalogue.history import ChangedSince, NothingToUndo
from jungle.catalogue.models import CatalogueEdit
from tests.app.test_catalogue import CatalogueTestCase, pack, upload
from tests.app.worlds import adopt_parts, person, sheets_of
from tests.core import worlds


class CatalogueHistoryTests(CatalogueTestCase):
    def sheets(self) -> dict[str, SpecSheet]:
        return sheets_of(self.owner)

    def labels(self) -> tuple[str, str]:
        told = self.read("/history")
        return told["undo"], told["redo"]

    def test_a_fact_is_changed_undone_and_changed_again(self) -> None:
        before = self.sheets()
        self.assertEqual(self.labels(), ("", ""))
        self.call("patch", "/parts/mat", facts={"thickness_m": "30 mm"})
        changed = self.sheets()
        self.assertTrue(changed != before)
        self.assertEqual(self.labels(), ("Facts of Strip", ""))
        self.assertEqual(self.call("post", "/undo").json()["redo"], "Facts of Strip")
        self.assertEqual(self.sheets(), before)
        self.assertFalse(self.read("/parts/mat")["part"]["changed"], "it is as it came again")
        self.call("post", "/redo")
        self.assertEqual(self.sheets(), changed)

    def test_every_kind_of_edit_can_be_undone(self) -> None:
        """Each edit in turn; then all of them, one by one, back to what there was before each."""
        own = worlds.mat(id="own-mat", name="Own")
        edits: tuple[Callable[[], Any], ...] = (
            lambda: self.call("post", "/parts", kind="tool", facts={"maker": "M", "name": "Saw"}),
            lambda: self.call("patch", "/parts/mat", facts={"thickness_m": "30 mm"}),
            lambda: self.call("put", "/parts/mat/sources/thickness_m", source="a tape"),
            lambda: self.call("post", "/parts/mat/restore"),
            lambda: self.remove(next(id for id, sheet in self.sheets().items() if sheet.name == "Saw")),
            lambda: self.client.post("/api/catalogue/pack", {"file": upload(pack(own, worlds.screen(name="Other")))}),
            lambda: self.client.post(
                "/api/catalogue/list", {"file": upload("id,price\nmat,12.50\nscreen,300\n", "list.csv")}
            ),
        )
        seen = [self.sheets()]
        for number, edit in enumerate(edits):
            self.assertLess(edit().status_code, 300, f"edit {number}")
            seen.append(self.sheets())
            self.assertTrue(seen[-1] != seen[-2], f"edit {number} changes something")
        for wanted in reversed(seen[:-1]):
            self.assertEqual(self.call("post", "/undo").status_code, 200)
            self.assertEqual(self.sheets(), wanted)
        self.assertEqual(self.call("post", "/undo").status_code, 404)
        for wanted in seen[1:]:
            self.call("post", "/redo")
            self.assertEqual(self.sheets(), wanted)
        self.assertEqual(self.call("post", "/redo").status_code, 404)

    def test_a_new_edit_forgets_what_was_undone(self) -> None:
        self.call("patch", "/parts/mat", facts={"thickness_m": "30 mm"})
        self.call("post", "/undo")
        self.call("patch", "/parts/mat", facts={"thickness_m": "50 mm"})
        self.assertEqual(self.labels(), ("Facts of Strip", ""))
        with self.assertRaises(NothingToUndo):
            redo_edit(By(self.owner))

    def test_an_edit_that_changes_nothing_is_none(self) -> None:
        self.call("patch", "/parts/mat", facts={"name": "Strip"})
        self.assertEqual(self.labels(), ("", ""))

    def test_a_part_that_a_build_has_is_not_undone_away(self) -> None:
        saw = self.add("tool", maker="M", name="Saw")
        before = self.sheets()
        body = {"revision": self.build.revision, "part": saw}
        self.client.post(f"/api/builds/{self.build.pk}/extras", body, content_type="application/json")
        refused = self.call("post", "/undo")
        self.assertEqual(refused.status_code, 409)
        self.assertEqual(refused.json()["builds"], [{"build": "Test", "what": ["a part beside the chain"]}])
        self.assertEqual(self.sheets(), before)
        self.assertEqual(self.labels(), ("Added Saw", ""))

    def test_a_pack_is_undone_whole_or_not_at_all(self) -> None:
        """One of its two parts is hung: neither is taken out."""
        two = pack(worlds.mat(id="one", name="One"), worlds.mat(id="two", name="Two"))
        self.client.post("/api/catalogue/pack", {"file": upload(two)})
        self.send("put", "/chain/mat", part="two")
        before = self.sheets()
        with self.assertRaises(PartsInUse):
            undo_edit(By(self.owner))
        self.assertEqual(self.sheets(), before)

    def test_what_came_in_by_another_way_is_not_overwritten(self) -> None:
        """Taken out, and then brought back by a build's file with another fact: undoing would lose that."""
        id = self.add("tool", maker="M", name="Saw")
        saw = self.sheet(id)
        self.remove(id)
        adopt_parts(self.owner.pk, (saw.model_copy(update={"use": "pipes"}),))
        with self.assertRaises(ChangedSince):
            undo_edit(By(self.owner))
        self.assertEqual(self.sheet(id).use, "pipes")

    def test_only_so_many_are_kept_and_each_owner_has_their_own(self) -> None:
        with patch.object(history, "EDITS_KEPT", 3):
            for thickness in range(30, 36):
                self.call("patch", "/parts/mat", facts={"thickness_m": f"{thickness} mm"})
        self.assertEqual(CatalogueEdit.objects.filter(owner=self.owner).count(), 3)
        with self.assertRaises(NothingToUndo):
            undo_edit(By(person("bo")))
