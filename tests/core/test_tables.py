"""A table says of every combination what the evaluation of that very build says."""

from random import Random
from unittest import TestCase

from core.checks import GRAPH
from core.checks.table import Candidate, TooManyCombinations
from core.geometry.shadow import Lens
from core.model.build import Build, HungPart, Slot
from core.report.evaluation_of import evaluation_of
from core.report.tables import candidates_of, tabulation_of
from tests.core.random_builds import random_build, sample_parts

ROUNDS = 12
CELLS = 6
SMALL = 3


def hung(build: Build, chosen: dict[Slot, Candidate]) -> Build:
    chain = {
        slot: HungPart(part=candidate.part.id, plan=candidate.plan.id if candidate.plan else None)
        for slot, candidate in chosen.items()
    }
    return build.model_copy(update={"chain": {**build.chain, **chain}})


class TableTests(TestCase):
    def test_every_cell_is_what_the_build_itself_comes_to(self) -> None:
        """All checks of at most three places, over random builds and combinations by a fixed seed."""
        dice = Random(1207)
        compared = 0
        for seed in range(ROUNDS):
            build = random_build(seed)
            for check in GRAPH.checks:
                places = GRAPH.places_of(check.id)
                if not 0 < len(places) <= SMALL:
                    continue
                table = tabulation_of(build, sample_parts(), places).table(check.id)
                for _ in range(CELLS):
                    at = tuple(dice.randrange(len(candidates_of(sample_parts(), slot))) for slot in places)
                    chosen = {
                        slot: candidates_of(sample_parts(), slot)[number]
                        for slot, number in zip(places, at, strict=True)
                    }
                    alone = evaluation_of(hung(build, chosen), sample_parts()).of_check(check.id)
                    compared += bool(alone)
                    with self.subTest(seed=seed, check=check.id, at=at):
                        self.assertEqual(table.at(*at), alone)
        self.assertGreater(compared, 1000)

    def test_equal_readings_are_shared(self) -> None:
        """Every title, display and screen: far fewer lenses than combinations, and none of them twice."""
        tables = tabulation_of(random_build(3), sample_parts(), (Slot.TITLE, Slot.DISPLAY, Slot.SCREEN))
        lens = tables.grid(Lens)
        self.assertEqual(lens.places, (Slot.TITLE, Slot.DISPLAY, Slot.SCREEN))
        self.assertEqual(len(set(lens.values)), len(lens.values))
        self.assertLess(len(lens.values) * 5, lens.numbers.size)

    def test_too_many_are_refused_before_they_are_made(self) -> None:
        tables = tabulation_of(random_build(3), sample_parts(), tuple(Slot))
        with self.assertRaisesRegex(TooManyCombinations, r"9 floor × 7 mat × .* are more than 5,000,000 combinations"):
            tables.table("money.up_front")

    def test_a_place_without_parts_is_refused(self) -> None:
        with self.assertRaisesRegex(LookupError, "no part for mat"):
            tabulation_of(random_build(3), {}, (Slot.MAT,))
