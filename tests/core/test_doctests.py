"""Every worked example in a docstring of the core is run."""

import doctest
import pkgutil
from importlib import import_module
from unittest import TestCase

import core


class DoctestTests(TestCase):
    def test_worked_examples(self) -> None:
        attempted = 0
        for found in pkgutil.walk_packages(core.__path__, "core."):
            with self.subTest(found.name):
                failed, tried = doctest.testmod(import_module(found.name))
                attempted += tried
                self.assertEqual(failed, 0)
        self.assertGreater(attempted, 20)
