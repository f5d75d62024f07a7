"""What the core answers about some builds is what it answered: nothing that a person sees changes unawares."""

from difflib import unified_diff
from unittest import TestCase

from tests.core.recording import RECORDED, answers, recorded_builds

MOST_TOLD = 30


class RecordedTests(TestCase):
    def test_the_answers_are_as_recorded(self) -> None:
        for name, build, parts in recorded_builds():
            was = (RECORDED / f"{name}.txt").read_text().splitlines()
            now = answers(build, parts).splitlines()
            with self.subTest(build=name):
                if now != was:
                    told = list(unified_diff(was, now, "recorded", "answered", lineterm="", n=1))[:MOST_TOLD]
                    self.fail("\n".join(("`make answers` records them anew, once every line is meant:", *told)))
