"""What has to be done: in which order, by whom, in how many hours."""

from unittest import TestCase

from core.checks.laid_floor import LaidFloor
from core.checks.leads import OutletsMissing
from core.checks.works import Work, Works
from core.model.brief import Brief
from core.model.build import Slot
from core.model.chain import Chain
from core.quantities import UnitSystem
from core.report.evaluation_of import evaluation_of
from tests.core import worlds
from tests.core.matrix.case import extra, world
from tests.core.worlds import full_build, full_parts, room, screen, thing


def works_of(brief: Brief, **parts: object) -> tuple[Work, ...]:
    found = evaluation_of(full_build(), full_parts() | parts)  # type: ignore[arg-type]
    chain = found.reading(Chain)
    assert chain is not None
    where = room(things=[thing(decision="remove").model_dump()])
    return worlds.works_of(brief, where, chain, found.reading(LaidFloor)).works


class WorksTests(TestCase):
    def test_the_frame_stands_before_the_floor_and_the_picture_comes_last(self) -> None:
        places = [work.slot for work in works_of(Brief(skills=("sewing",)), screen=screen(edge="raw"))]
        self.assertIsNone(places[0], "what is in the way goes first")
        in_order = (Slot.ENCLOSURE, Slot.SCREEN, Slot.SCREEN, Slot.FLOOR, Slot.MAT)
        self.assertEqual(tuple(places[1:6]), in_order)
        self.assertEqual(tuple(places[-2:]), (Slot.DISPLAY, None), "and then it is tried out")

    def test_a_raw_edge_takes_hours_by_its_length(self) -> None:
        (hem,) = (
            work
            for work in works_of(Brief(skills=("sewing",)), screen=screen(edge="raw", width_m=4.0, height_m=3.0))
            if work.id == "hem:screen"
        )
        self.assertEqual(hem.own_hours, 3.2, "14 m × 0.15 h × 1.5 = 3.15 h")
        self.assertIn("Hem", hem.what.text(UnitSystem.METRIC))

    def test_everything_beside_the_chain_has_its_turn(self) -> None:
        """Netting before the floor, cloth and foam after the picture, and trying it last."""
        net = extra("side_protection", "Net", width_m=3.0, height_m=2.7)
        foam, cloth = extra("padding", "Foam", purpose="edge"), extra("masking_cloth", "Cloth")
        build, parts = world({"beside": [net, foam, cloth]})
        told = evaluation_of(build, parts).reading(Works)
        assert told is not None
        ids = [work.id for work in told.works]
        at = [ids.index(id) for id in ("net:beside", "install:floor", "install:display", "mask:beside", "pad:beside")]
        self.assertEqual((at, ids[-1]), (sorted(at), "try"))
        by_id = {work.id: work for work in told.works}
        self.assertEqual(by_id["try"].hours, 2.0)
        self.assertIn("Hang Net beside the bay", by_id["net:beside"].what.text(UnitSystem.METRIC))

    def test_outlets_are_an_electricians(self) -> None:
        outlets = OutletsMissing(("Radar", "Computer"))
        (work,) = worlds.works_of(Brief(), room(), Chain(()), None, outlets).works
        self.assertEqual((work.who, work.hours, work.own_hours), ("a licensed electrician", 3.0, 0.0))

    def test_a_finished_edge_is_not_hemmed_again(self) -> None:
        self.assertNotIn("hem:screen", [work.id for work in works_of(Brief(), screen=screen(edge="grommets"))])
