"""What the household asks, what the purposes ask, and what has to be done."""

from datetime import date
from typing import Any

from core.checks.household import (
    Deadline,
    Moving,
    NoiseLimit,
    PackedAway,
    light_source,
    movable,
    playable,
    setup_time,
    strike_noise,
)
from core.checks.laid_floor import LaidFloor
from core.checks.purposes import WantsCourses, WantsFilming, courses, filming
from core.checks.readings import Tested
from core.checks.works import BUILDER, ELECTRICIAN, OURSELVES, Work, Works
from core.model.brief import Brief
from core.model.chain import Chain, resolve_chain
from core.model.household import Noise
from core.model.kit import Beside
from core.quantities import Money, say
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.checks.base import METRIC, CheckTestCase
from tests.core.worlds import left_hander, places, player, room, thing


def brief(**facts: Any) -> Brief:
    return Brief.model_validate(facts)


def chain() -> Chain:
    return resolve_chain(worlds.full_build(), worlds.full_parts())


class HouseholdTests(CheckTestCase):
    def test_set_up_time(self) -> None:
        """10 for the screen and 20 for the enclosure: 30 of 30 fits and is tight, 25 is not enough."""
        work = PackedAway((("screen", 10), ("enclosure", 20)))
        self.assert_verdict(setup_time(brief(setup_minutes=40), work), "clear", "30 min", "40 min", "10 min")
        self.assert_verdict(setup_time(brief(setup_minutes=30), work), "tight", "30 min", "30 min", "0 min")
        cure = "Let the enclosure stay where it is."
        self.assert_verdict(setup_time(brief(setup_minutes=25), work), "blocked", "30 min", "25 min", "−5 min", cure)
        self.assert_unknown(setup_time(brief(), work), "The set-up time you accept")

    def test_noise(self) -> None:
        loud = worlds.screen(sound="loud")
        self.assert_verdict(
            strike_noise(loud, NoiseLimit(Noise.DAMPED), Beside()), "tight", "loud", "damped or less", ""
        )
        quiet = worlds.screen(sound="quiet")
        self.assert_verdict(
            strike_noise(quiet, NoiseLimit(Noise.DAMPED), Beside()), "clear", "quiet", "damped or less", ""
        )

    def test_the_light_lasts_the_horizon(self) -> None:
        """20 000 h at 10 a week are 20 000 / 520 = 38.5 years; 2 000 h are 3.8 of 5."""
        asked = brief(horizon_years=5, hours_a_week=10)
        long = light_source(asked, worlds.projector(light_hours=20_000), Tested())
        self.assert_verdict(long, "clear", "38.5 years", "5.0 years", "33.5 years")
        short = light_source(asked, worlds.projector(light_hours=2_000), Tested())
        self.assert_verdict(short, "tight", "3.8 years", "5.0 years", "1.2 years short, tolerated")
        used = light_source(asked, worlds.projector(light_hours=20_000), Tested(used_hours=18_000))
        self.assert_verdict(used, "tight", "3.8 years", "5.0 years", "1.2 years short, tolerated")
        self.assert_unknown(light_source(brief(), worlds.projector(), Tested()), "How many hours a week you will play")

    def test_playable_by_the_date(self) -> None:
        """3 weeks of delivery and 24 h at 6 a week: 7 weeks. To 20 January 2027 there are 8.0, to 6 January 6.0."""
        own = Works((Work("install:floor", say("Lay the floor"), OURSELVES, 24.0),))
        today = date(2026, 11, 25)
        asked = brief(build_hours_a_week=6)
        late = playable(Deadline(date(2027, 1, 6), today), asked, own)
        self.assert_verdict(late, "blocked", "6.0 weeks", "7.0 weeks", "−1.0 weeks")
        self.assert_verdict(
            playable(Deadline(date(2027, 1, 20), today), asked, own), "clear", "8.0 weeks", "7.0 weeks", "1.0 weeks"
        )

    def test_value_that_moves(self) -> None:
        """1 000 of 4 000 stay: a quarter, which is just clear; 1 200 of 4 000 are 30 %."""
        self.assert_verdict(
            movable(Moving(Money(300_000, "EUR"), Money(100_000, "EUR"), ("Lawn",), None)),
            "clear",
            "25 %",
            "50 %",
            "25 %",
        )
        self.assert_verdict(
            movable(Moving(Money(280_000, "EUR"), Money(120_000, "EUR"), ("Lawn",), None)),
            "tight",
            "30 %",
            "50 %",
            "20 %",
        )


class PurposeTests(CheckTestCase):
    def test_courses(self) -> None:
        full, bare = (worlds.title().plans[0].model_copy(update={"courses": count}) for count in (40, 0))
        self.assert_verdict(
            courses(brief(), worlds.title(), full, WantsCourses(), Beside(), None),
            "clear",
            "40 courses",
            "1 course",
            "39 courses",
        )
        self.assert_verdict(
            courses(brief(), worlds.title(), bare, WantsCourses(), Beside(), None),
            "tight",
            "0 courses",
            "1 course",
            "none there, tolerated",
        )

    def test_filming(self) -> None:
        """4.60 wide: 2.30 before a right-hander in the middle; a left-hander at 1.80 has 1.80 before the left wall."""
        right = filming(brief(players=[player().model_dump()]), room(), places(), WantsFilming())
        self.assert_verdict(right, "clear", "2.30 m", "2.00 m", "300 mm")
        left = filming(brief(players=[left_hander().model_dump()]), room(), places(ball_x_m=1.8), WantsFilming())
        self.assert_verdict(left, "tight", "1.80 m", "2.00 m", "200 mm short, tolerated")


class WorksTests(CheckTestCase):
    def who(self, skills: tuple[str, ...] = (), **facts: Any) -> dict[str, str]:
        where = room(things=[thing(**facts).model_dump()] if facts else [])
        return {
            work.what.text(METRIC): work.who for work in worlds.works_of(brief(skills=skills), where, chain()).works
        }

    def test_trades_do_what_is_theirs(self) -> None:
        found = self.who(kind="lamp", name="lamp", decision="remove")
        self.assertEqual(found["Remove the lamp"], ELECTRICIAN)
        opener = self.who(skills=("timber", "ceiling"), kind="opener", name="opener", decision="move")
        self.assertIn("springs are under load", opener["Move the opener"])
        self.assertIn("structural engineer", self.who(decision="remove")["Remove the beam"])
        self.assertEqual(self.who(decision="pad")["Pad the beam"], OURSELVES)

    def test_skills_decide_the_rest(self) -> None:
        self.assertEqual(self.who()["Hang Lamp"], BUILDER)
        self.assertEqual(self.who(("ceiling",))["Hang Lamp"], OURSELVES)
        self.assertEqual(self.who()["Put up Box"], OURSELVES)

    def test_a_frame_made_at_home_is_cut_and_joined(self) -> None:
        """Timber 10 h and 0.4 for each of twelve cuts; who cannot do both timber and sewing has it done."""
        kit = worlds.enclosure(leaves_out=("frame",), frame_of="timber")
        hanging = resolve_chain(worlds.full_build(), {**worlds.full_parts(), kit.id: kit})
        for skills, who in ((("timber",), BUILDER), (("timber", "sewing"), OURSELVES)):
            found = worlds.works_of(brief(skills=skills), room(), hanging).works
            (joined,) = (work for work in found if work.id == "join:enclosure")
            self.assertEqual((joined.who, round(joined.hours, 6)), (who, 14.8))

    def test_own_hours_are_what_the_household_does(self) -> None:
        """32.2 m² of floor at 0.1, mat 0.5, monitor, software and machine 1 each, screen 2, enclosure 4, trying it
        out 2; the lamp 4."""
        floor = evaluation_of(worlds.full_build(), worlds.full_parts()).reading(LaidFloor)
        self.assertAlmostEqual(worlds.works_of(brief(), room(), chain(), floor).own_hours, 14.7)
        self.assertAlmostEqual(worlds.works_of(brief(skills=("ceiling",)), room(), chain(), floor).own_hours, 18.7)
