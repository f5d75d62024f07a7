"""Paths over HTTP: the next step of a build, which one it grows from, and what each way comes to."""

from typing import Any

from jungle.builds.models import StoredBuild
from jungle.builds.services import builds
from jungle.builds.services.paths import MOST_STEPS
from tests.app.worlds import ApiTestCase, full_build_of, person


class PathTests(ApiTestCase):
    def paths(self, build_id: int | None = None) -> Any:
        return self.client.get(f"/api/builds/{build_id or self.build.pk}/paths").json()

    def grown(self, build_id: int | None = None) -> Any:
        reply = self.client.post(f"/api/builds/{build_id or self.build.pk}/grow")
        self.assertEqual(reply.status_code, 201, reply.content)
        return reply.json()

    def put(self, build_id: int, other: object) -> Any:
        url = f"/api/builds/{build_id}/grows-from"
        return self.client.put(url, {"build_id": other}, content_type="application/json")

    def edit(self, build_id: int, path: str, **body: Any) -> None:
        body["revision"] = StoredBuild.objects.get(pk=build_id).revision
        reply = self.client.post(f"/api/builds/{build_id}{path}", body, content_type="application/json")
        self.assertEqual(reply.status_code, 200, reply.content)

    def test_the_next_step_is_a_copy_that_grows_from_it(self) -> None:
        alone = self.paths()
        self.assertEqual((alone["grows_from"], [len(way["builds"]) for way in alone["paths"]]), (None, [1]))
        grown = self.grown()
        self.assertEqual(grown["build"]["name"], f"{self.build.name}, next step")
        told = self.paths(grown["id"])
        self.assertEqual(told["grows_from"]["id"], self.build.pk)
        self.assertEqual([each["id"] for each in told["paths"][0]["builds"]], [self.build.pk, grown["id"]])
        path = told["paths"][0]["path"]
        self.assertEqual((path["over_at_once"]["value"], path["thrown_away"]["value"]), (0, 0))
        self.assertIn("as much as", path["headline"])
        self.assertEqual(path["steps"][1]["bought"]["value"], 0)

    def test_what_the_next_step_has_no_more_is_given_up(self) -> None:
        grown = self.grown()
        self.edit(grown["id"], "/chain/display/take-down")
        path = self.paths()["paths"][0]["path"]
        self.assertEqual([each["label"] for each in path["steps"][1]["given_up"]], ["Maker Lamp"])
        self.assertGreater(path["thrown_away"]["value"], 0)

    def test_two_ways_on_are_two_paths(self) -> None:
        first, second = self.grown(), self.grown()
        self.assertEqual(second["build"]["name"], f"{self.build.name}, next step 2")
        ends = [way["builds"][-1]["id"] for way in self.paths(first["id"])["paths"]]
        self.assertEqual(ends, [first["id"], second["id"]])

    def test_a_path_that_is_very_long_is_told_and_not_added_up(self) -> None:
        last = self.build
        for _ in range(MOST_STEPS):
            last = builds.grow_build(last.pk, self.owner)
        (way,) = self.paths()["paths"]
        self.assertIsNone(way["path"])
        self.assertIn(f"A path of {MOST_STEPS + 1} steps", way["problem"])

    def test_no_build_grows_from_what_grows_from_it(self) -> None:
        grown = self.grown()
        refused = self.put(self.build.pk, grown["id"])
        self.assertEqual((refused.status_code, refused.json()["errors"][0]["field"]), (422, "grows_from"))
        self.assertEqual(self.put(self.build.pk, self.build.pk).status_code, 422)
        self.assertNotIn(grown["id"], [each["id"] for each in self.paths()["may_grow_from"]])
        self.assertEqual(self.put(grown["id"], None).json()["grows_from"], None)
        self.assertEqual(self.put(self.build.pk, grown["id"]).status_code, 200)

    def test_nobody_elses_and_nothing_that_is_not_there(self) -> None:
        other = full_build_of(person("bo")).pk
        for answer in (self.put(self.build.pk, other), self.put(other, self.build.pk), self.put(self.build.pk, 10**9)):
            self.assertEqual(answer.status_code, 404)
        self.assertEqual(self.client.post(f"/api/builds/{other}/grow").status_code, 404)
        self.assertEqual(self.put(self.build.pk, "none").status_code, 422)

    def test_a_deleted_step_ends_the_path_and_comes_back_into_it(self) -> None:
        grown = self.grown()
        later = self.grown(grown["id"])
        builds.delete_build(grown["id"], self.owner)
        self.assertEqual([len(way["builds"]) for way in self.paths(later["id"])["paths"]], [1])
        builds.restore_build(grown["id"], self.owner)
        self.assertEqual([len(way["builds"]) for way in self.paths(later["id"])["paths"]], [3])

    def test_two_currencies_are_not_added_up(self) -> None:
        grown = self.grown()
        step = StoredBuild.objects.get(pk=grown["id"])
        StoredBuild.objects.filter(pk=step.pk).update(document=step.document.replace('"EUR"', '"USD"'))
        way = self.paths()["paths"][0]
        self.assertIsNone(way["path"])
        self.assertIn("in EUR", way["problem"])
        self.assertIn("in USD", way["problem"])
