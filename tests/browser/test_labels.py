"""What is written on the drawing covers no other text and no handle: boxes measured in the real interface."""

from core.model.build import Build
from core.quantities import UnitSystem
from jungle.builds.models import StoredBuild
from jungle.builds.services.builds import start_build
from tests.browser.base import BrowserTestCase
from tests.browser.chromium import DESK, PHONE
from tests.core.random_builds import furnished_build, seeds

TOUCHING_PX = 1.0
LINES_OF_ONE = 3
"""A dimension line and the slashes at its ends."""
LEAST_WRITTEN = 4
"""On a view of any room: its width, its height, and what stands in it."""
COVERED = """() => {
  const drawing = document.querySelector('svg[role=group]').parentElement
  const boxes = []
  for (const text of drawing.querySelectorAll('svg text')) boxes.push([text.textContent.trim(), text, false])
  for (const tag of drawing.querySelectorAll('button')) boxes.push([tag.textContent.trim(), tag, false])
  for (const grip of drawing.querySelectorAll('[role=slider]')) {
    boxes.push([grip.getAttribute('aria-label'), grip.children[1], true])
  }
  const found = boxes.map(([words, element, grip]) => ({ words, grip, box: element.getBoundingClientRect() }))
  const covered = []
  found.forEach((one, number) => found.slice(number + 1).forEach((other) => {
    if (one.grip && other.grip) return
    const across = Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left)
    const down = Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top)
    if (across > TOUCHING && down > TOUCHING) covered.push(`${one.words} / ${other.words}`)
  }))
  const figures = drawing.querySelectorAll('button').length
  const lines = drawing.querySelectorAll("svg g > line").length / LINES_OF_ONE
  return { covered, written: boxes.length, left_out: lines - figures }
}""".replace("TOUCHING", str(TOUCHING_PX)).replace("LINES_OF_ONE", str(LINES_OF_ONE))


DRAWN = "() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(null))))"

OTHER = {UnitSystem.METRIC: UnitSystem.IMPERIAL, UnitSystem.IMPERIAL: UnitSystem.METRIC}


class LabelTests(BrowserTestCase):
    def test_none_covers_another_in_builds_made_at_random(self) -> None:
        """From above and toward the screen, in both unit systems and at both widths."""
        samples = list(StoredBuild.objects.visible_to(self.build.owner_id))
        builds = [start_build(self.build.owner, self.named(furnished_build(seed), seed)) for seed in seeds(5)]
        for build in (*samples, *builds):
            self.page.goto(f"{self.live_server_url}/builds/{build.pk}/room")
            self.page.wait_for_selector("svg[role=group] text")
            for units in UnitSystem:
                # A figure that has no place on the drawing is typed in its field.
                self.assert_apart(build, units, left_out=0 if build.pk == self.build.pk else 3)
                self.page.get_by_role("button", name="toward the screen").click()
                self.page.get_by_text("TOWARD THE SCREEN · from the ball").wait_for()
                self.assert_apart(build, units)
                self.page.get_by_role("button", name="toward the screen").click()
                self.page.get_by_role("button", name=f"Switch to {OTHER[units]}").click()
                self.page.get_by_role("button", name=f"Switch to {units}").wait_for()

    def assert_apart(self, build: StoredBuild, units: UnitSystem, left_out: int | None = None) -> None:
        """No text covers another one or a handle; where said, no more figures than that are left out at a desk."""
        for size in (PHONE, DESK):
            with self.subTest(build=build.name, units=units, width=size["width"]):
                self.page.set_viewport_size({"width": size["width"], "height": size["height"]})
                self.page.evaluate(DRAWN)
                found = self.page.evaluate(COVERED)
                self.assertEqual(found["covered"], [])
                self.assertGreater(found["written"], LEAST_WRITTEN)
                if size == DESK and left_out is not None:
                    self.assertLessEqual(found["left_out"], left_out)

    def named(self, build: Build, seed: int) -> Build:
        return build.model_copy(update={"name": f"Random {seed}"})
