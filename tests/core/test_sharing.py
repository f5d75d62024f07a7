"""What an edit leaves as it was stays the very same object, and nothing is told otherwise for it."""

from unittest import TestCase

from core.model.build import Build
from core.model.sharing import sharing
from tests.core.random_builds import furnished_build, seeds


def anew(build: Build) -> Build:
    return Build.model_validate_json(build.model_dump_json())


class SharingTests(TestCase):
    def test_what_is_equal_is_the_same_and_what_differs_is_not_lost(self) -> None:
        for seed in seeds(20):
            before, other = furnished_build(seed), furnished_build(seed + 1)
            with self.subTest(seed=seed):
                self.assertIs(sharing(anew(before), before), before)
                shared = sharing(anew(other), before)
                self.assertEqual(shared.model_dump_json(), other.model_dump_json())

    def test_only_what_was_changed_is_another(self) -> None:
        before = furnished_build(5)
        wider = before.room.model_copy(update={"width_m": before.room.width_m + 0.1})
        after = sharing(anew(before.model_copy(update={"room": wider})), before)
        self.assertIsNot(after.room, before.room)
        self.assertEqual(after.room.width_m, wider.width_m)
        self.assertIs(after.room.openings, before.room.openings)
        for field in ("brief", "layout", "chain", "extras", "ledger"):
            self.assertIs(getattr(after, field), getattr(before, field), field)

    def test_one_that_was_taken_out_shifts_no_other(self) -> None:
        before = next(build for build in map(furnished_build, range(60)) if len(build.extras) > 2)
        after = sharing(anew(before.model_copy(update={"extras": before.extras[1:]})), before)
        self.assertEqual(after.extras, before.extras[1:])
