"""Answers kept by identity: asked once, forgotten when there are too many, never mixed up."""

from unittest import TestCase
from unittest.mock import patch

from core import kept as module
from core.kept import kept


class KeptTests(TestCase):
    def setUp(self) -> None:
        self.asked: list[object] = []

        def doubled(words: list[str]) -> list[str] | None:
            self.asked.append(words)
            if words == ["bad"]:
                raise ValueError(words)
            return words * 2 if words else None

        self.doubled = kept(doubled)

    def test_the_same_object_is_asked_about_once_whatever_the_answer(self) -> None:
        full: list[str] = ["a"]
        empty: list[str] = []
        self.assertIs(self.doubled(full), self.doubled(full))
        self.assertIsNone(self.doubled(empty))
        self.assertIsNone(self.doubled(empty))
        self.assertEqual(len(self.asked), 2)

    def test_an_equal_object_is_another(self) -> None:
        self.assertIsNot(self.doubled(["a"]), self.doubled(["a"]))

    def test_an_object_that_is_gone_lends_its_identity_to_nobody(self) -> None:
        """A thousand lists made one after the other would share a few addresses if none of them were kept."""
        with patch.object(module, "MOST_KEPT", 2000):
            for number in range(1000):
                self.assertEqual(self.doubled([str(number)]), [str(number)] * 2)

    def test_too_many_are_forgotten(self) -> None:
        lists = [[str(number)] for number in range(4)]
        with patch.object(module, "MOST_KEPT", 3):
            for words in (*lists, lists[0]):
                self.assertEqual(self.doubled(words), words * 2)
        self.assertEqual(len(self.asked), 5)

    def test_what_was_refused_is_asked_again(self) -> None:
        bad = ["bad"]
        for _ in range(2):
            with self.assertRaises(ValueError):
                self.doubled(bad)
        self.assertEqual(len(self.asked), 2)
