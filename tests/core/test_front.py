"""The view toward the screen: what is seen along the target line, where it is."""

from unittest import TestCase

from core.model.brief import Brief
from core.model.build import Build
from core.report import evaluate
from core.report.evaluate import front_scene
from tests.core import worlds
from tests.core.random_builds import furnished_build, sample_parts, seeds
from tests.core.worlds import player


class FrontTests(TestCase):
    def shapes(self, meaning: str) -> list[tuple[tuple[float, float], ...]]:
        build = worlds.full_build(room=worlds.full_room())
        scene = front_scene(build, evaluate(build, worlds.full_parts()))
        return [shape.points for shape in scene.shapes if shape.meaning == meaning]

    def test_picture_screen_and_room(self) -> None:
        """A room 4.6 wide and 3.0 high; a screen of 2.7 in its middle, a picture of 2.6 × 1.95 from 0.05 up."""
        (room,) = self.shapes("room")
        self.assertEqual(set(room), {(0.0, 0.0), (4.6, 0.0), (4.6, 3.0), (0.0, 3.0)})
        (picture,) = self.shapes("beam")
        self.assertEqual(
            [(round(x, 3), round(z, 3)) for x, z in picture], [(1.0, 0.05), (3.6, 0.05), (3.6, 2.0), (1.0, 2.0)]
        )
        enclosure, screen = self.shapes("enclosure")
        self.assertEqual((round(enclosure[0][0], 3), round(screen[0][0], 3)), (0.85, 0.95))

    def test_a_ridge_along_the_target_line(self) -> None:
        """Eaves 2.4, ridge 3.4 in the middle of 4.0 m."""
        shed = worlds.room(width_m=4.0, ceiling_m=2.4, ridge_m=3.4, ceiling_shape="ridge_along")
        build = Build(name="Shed", room=shed, brief=Brief(players=(player(),)))
        scene = front_scene(build, evaluate(build, {}))
        (room,) = (shape.points for shape in scene.shapes if shape.meaning == "room")
        self.assertEqual([(x, round(z, 3)) for x, z in room[2:]], [(4.0, 2.4), (2.0, 3.4), (0.0, 2.4)])
        self.assertEqual((scene.length_m, scene.width_m, round(scene.height_m, 3)), (4.0, 0.0, 3.4))

    def test_it_can_be_drawn_of_every_build(self) -> None:
        for seed in seeds(40):
            build = furnished_build(seed)
            scene = front_scene(build, evaluate(build, sample_parts()))
            self.assertTrue({shape.view for shape in scene.shapes} == {"front"}, seed)
            discs = [shape for shape in scene.shapes if shape.meaning == "swing-disc"]
            self.assertEqual(len(discs), len(build.brief.players))
