"""Whatever is stored can be read, shown, undone and deleted, whichever way it came to be stored."""

import os

from django.test import TestCase, override_settings

from jungle.builds.models import StoredBuild
from tests.app.wanderer import Wanderer
from tests.app.worlds import adopt_parts, full_build_of, person
from tests.core import worlds
from tests.core.matrix.case import extra

SEEDS = range(int(os.environ.get("JUNGLE_WANDERERS", "2")))
STEPS = int(os.environ.get("JUNGLE_STEPS", "60"))
OPENED_EVERY = 4


@override_settings(LOCAL=False)
class WanderingTests(TestCase):
    def test_after_any_accepted_edits_everything_opens_and_goes_back(self) -> None:
        for seed in SEEDS:
            owner = person(f"wanderer-{seed}")
            full_build_of(owner)
            adopt_parts(owner.pk, (worlds.screen(id="other-screen"), worlds.mat(id="other-mat"), extra("tool", "Saw")))
            wanderer = Wanderer(owner, seed)
            accepted = 0
            for number in range(STEPS):
                reply = wanderer.step()
                told = (seed, number, wanderer.did[-3:], reply is not None and reply.content[:300])
                self.assertLess(reply.status_code if reply is not None else 0, 500, told)
                accepted += reply is not None and reply.status_code < 300
                if number % OPENED_EVERY == 0:
                    self.assertEqual(wanderer.open_everything(), [], (seed, number, wanderer.did[-OPENED_EVERY:]))
            self.assertGreater(accepted, STEPS // 4, "most of the steps were refused")
            self._back_to_the_beginning(wanderer)
            for build in StoredBuild.objects.visible_to(owner.pk):
                self.assertEqual(wanderer.client.delete(f"/api/builds/{build.pk}").status_code, 204)

    def _back_to_the_beginning(self, wanderer: Wanderer) -> None:
        for build in StoredBuild.objects.visible_to(wanderer.owner.pk):
            for _ in range(build.edit_number):
                build.refresh_from_db()
                body = {"revision": build.revision}
                reply = wanderer.client.post(f"/api/builds/{build.pk}/undo", body, content_type="application/json")
                self.assertEqual(reply.status_code, 200, (wanderer.did[-3:], reply.content[:300]))
            self.assertEqual(wanderer.open_everything(), [])
