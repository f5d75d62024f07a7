"""Every worked example in a docstring of the core is run."""

import doctest
import pkgutil
from importlib import import_module
from unittest import TestSuite

import core


def load_tests(loader: object, tests: TestSuite, pattern: str | None) -> TestSuite:
    for module in pkgutil.walk_packages(core.__path__, "core."):
        tests.addTests(doctest.DocTestSuite(import_module(module.name)))
    return tests
