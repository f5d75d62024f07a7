"""Static files are collected when others are there, and only then."""

from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

from django.contrib.staticfiles.finders import get_finder
from django.test import SimpleTestCase, override_settings

from jungle.web.collected import collect_static


class CollectedTests(SimpleTestCase):
    def setUp(self) -> None:
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.at = Path(folder.name)
        (self.at / "source").mkdir()
        (self.at / "source" / "a.css").write_text("a {}")
        here = override_settings(
            DATA_DIR=self.at, STATIC_ROOT=self.at / "static", STATICFILES_DIRS=[self.at / "source"]
        )
        here.enable()
        self.addCleanup(here.disable)
        get_finder.cache_clear()  # type: ignore[attr-defined]
        self.addCleanup(get_finder.cache_clear)  # type: ignore[attr-defined]

    def collects(self) -> bool:
        with patch("jungle.web.collected.call_command") as called:
            collect_static()
        return bool(called.called)

    def test_once(self) -> None:
        collect_static()
        self.assertEqual((self.at / "static" / "a.css").read_text(), "a {}")
        self.assertFalse(self.collects())

    def test_again_when_one_was_changed_added_or_is_gone_from_where_it_is_served(self) -> None:
        collect_static()
        (self.at / "source" / "a.css").write_text("a {} b {}")
        collect_static()
        self.assertEqual((self.at / "static" / "a.css").read_text(), "a {} b {}")
        (self.at / "source" / "b.css").write_text("b {}")
        self.assertTrue(self.collects())
        (self.at / "static" / "b.css").write_text("b {}")
        self.assertFalse(self.collects())
        (self.at / "static" / "a.css").unlink()
        self.assertTrue(self.collects())
