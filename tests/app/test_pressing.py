"""Pressing what is offered: one edit, one undo, and what was said; what is no longer offered changes nothing."""

from typing import Any

from core.model.build import Slot
from tests.app.test_parts import PartsTestCase
from tests.app.worlds import adopt_parts, person
from tests.core import worlds


class PressTests(PartsTestCase):
    def offers(self, check: str, subject: str = "") -> list[dict[str, Any]]:
        found: list[dict[str, Any]] = self.get(f"/verdicts/{check}/offers?subject={subject}")["offers"]
        return found

    def layout(self, **fields: Any) -> None:
        self.assertEqual(self.send("patch", "/layout", **fields).status_code, 200)

    def test_a_cure_is_told_with_what_it_does_pressed_and_taken_back(self) -> None:
        self.layout(ball_y_m="2.5")
        (offer,) = [one for one in self.offers("room.ball_to_screen") if one["does"]]
        self.assertEqual((offer["words"], offer["state"]), ("Move the ball back 900 mm.", "clear"))
        self.assertEqual(offer["does"]["up_front_change"]["text"], "±0")
        self.assertIn("room.ball_to_screen", [better["id"] for better in offer["does"]["better"]])
        reply = self.send("post", "/verdicts/room.ball_to_screen/offers", words=offer["words"]).json()
        self.assertEqual((reply["build"]["layout"]["ball_y_m"], reply["undo"]), (3.4, offer["words"]))
        state = {v["id"]: v["state"] for v in reply["report"]["verdicts"]}
        self.assertEqual(state["room.ball_to_screen"], "clear")
        undone = self.send("post", "/undo").json()
        self.assertEqual(undone["build"]["layout"]["ball_y_m"], 2.5)

    def test_what_is_no_longer_offered_is_refused_and_changes_nothing(self) -> None:
        self.layout(ball_y_m="2.5")
        before = self.get("")["revision"]
        for words in ("Move the ball back 901 mm.", ""):
            refused = self.send("post", "/verdicts/room.ball_to_screen/offers", words=words)
            self.assertEqual(refused.status_code, 404)
        self.assertEqual(self.client.get(self.url("/verdicts/no.such/offers")).status_code, 404)
        self.assertEqual(self.get("")["revision"], before)

    def test_another_part_is_offered_with_its_money(self) -> None:
        hung = self.send("put", "/chain/machine", part="weak")
        self.assertEqual(hung.status_code, 200)
        offered = [one for one in self.offers("machine.spec") if one["words"].startswith("Choose ")]
        words = [one["words"] for one in offered]
        self.assertIn("Choose Tower in place of Weak.", words)
        reply = self.send("post", "/verdicts/machine.spec/offers", words="Choose Tower in place of Weak.").json()
        self.assertEqual(reply["build"]["chain"]["machine"]["part"], "computer")

    def test_the_best_spot_is_pressed(self) -> None:
        self.layout(ball_x_m="1.2")
        (spot,) = self.get("/spots")["offers"]
        reply = self.send("post", "/spots", words=spot["words"]).json()
        self.assertTrue(reply["report"]["hitting"][0]["here"])
        self.assertEqual(self.send("post", "/spots", words="Somewhere else.").status_code, 404)

    def test_what_would_admit_a_part_admits_it_in_one_edit(self) -> None:
        """Needs 3.6 of flight, has 3.1."""
        title = worlds.title(id="linked", monitor_links=({"monitor": "radar"}, {"monitor": "far-radar"}))
        adopt_parts(self.owner.pk, (worlds.radar(id="far-radar", name="Far", flight_min_m=3.6), title))
        self.send("put", "/chain/title", part="linked")
        told = self.get("/why-not/far-radar")
        (move,) = [one for one in told["admitted_by"] if one["trouble"] == "move"]
        self.assertTrue(move["press"])
        reply = self.send("post", "/why-not/far-radar/admit", words=move["change"]).json()
        self.assertEqual(reply["build"]["chain"]["monitor"]["part"], "far-radar")
        flight = next(v for v in reply["report"]["verdicts"] if v["id"] == "monitor.flight")
        self.assertNotEqual(flight["state"], "blocked")
        undone = self.send("post", "/undo").json()
        self.assertEqual(undone["build"]["chain"]["monitor"]["part"], "radar")
        self.assertEqual(self.send("post", "/why-not/far-radar/admit", words="Wish for it.").status_code, 404)

    def test_a_way_that_is_made_to_measure_joins_the_catalogue(self) -> None:
        routes = {route["kind"]: route for route in self.get("/chain/enclosure/routes")["routes"]}
        self.assertTrue(routes["thrifty by hand"]["press"])
        reply = self.send("post", "/chain/enclosure/routes/thrifty by hand").json()
        part = reply["build"]["chain"][Slot.ENCLOSURE]["part"]
        self.assertEqual(part, "made-to-measure-pipe")
        self.assertEqual(self.client.get(f"/api/catalogue/parts/{part}").status_code, 200)
        self.assertEqual(self.send("post", "/undo").json()["build"]["chain"]["enclosure"]["part"], "enclosure")
        self.assertEqual(self.send("post", "/chain/mat/routes/ready-made").status_code, 404)

    def test_nobody_else_presses(self) -> None:
        other = person("bea")
        self.client.force_login(other)
        self.assertEqual(self.send("post", "/spots", words="x").status_code, 404)
        self.assertEqual(self.client.get(self.url("/verdicts/room.glass/offers")).status_code, 404)
