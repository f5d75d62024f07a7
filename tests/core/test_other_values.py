"""A disputed fact: what a verdict would be if the second source were right."""

from unittest import TestCase

from core.model.parts import FactSource, Part
from core.quantities import UnitSystem
from core.report.evaluation_of import evaluation_of
from core.report.other_values import OtherValue, with_other_values
from tests.core import worlds

METRIC = UnitSystem.METRIC


class OtherValueTests(TestCase):
    def others(self, check: str, **sources: FactSource) -> list[OtherValue]:
        screen = worlds.screen(sources={field: source.model_dump() for field, source in sources.items()})
        parts: dict[str, Part] = {**worlds.full_parts(), "screen": screen}
        build = worlds.full_build()
        verdict = evaluation_of(build, parts).by_key[check, ""]
        return list(with_other_values(build, parts, verdict))

    def test_the_other_value_is_judged_by_the_same_check(self) -> None:
        """Rated 90, 66 needed: clear. The shop says 60: six short."""
        rated = FactSource(source="maker", other=60.0, other_source="a shop")
        (other,) = self.others("screen.rating", rated_ball_speed_m_s=rated)
        self.assertEqual((other.source, other.fact, other.told.state.value), ("a shop", "rated ball speed", "blocked"))
        assert other.told.margin is not None
        self.assertEqual(other.told.margin.text(METRIC), "−6.0 m/s")

    def test_a_fact_that_the_check_does_not_read_changes_nothing(self) -> None:
        self.assertEqual(self.others("screen.room", rated_ball_speed_m_s=FactSource(source="maker", other=60.0)), [])

    def test_words_that_are_no_value_are_left_out(self) -> None:
        loud = FactSource(source="maker", other="rather loud")
        self.assertEqual(self.others("screen.edge", edge=FactSource(source="maker", other="frayed")), [])
        self.assertEqual(self.others("screen.tension", sound=loud), [])

    def test_an_undisputed_fact_has_no_other_value(self) -> None:
        self.assertEqual(self.others("screen.rating", rated_ball_speed_m_s=FactSource(source="maker")), [])
