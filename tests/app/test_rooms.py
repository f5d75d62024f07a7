"""What is in the room, candidate rooms, the full brief, and drawings as files: through the API."""

from datetime import timedelta
from typing import Any
from xml.etree import ElementTree

from django.utils import timezone

from core.contents.changes import ContentGroup
from core.model.build import Build
from jungle.builds.models import StoredBuild
from tests.app.worlds import ApiTestCase


class ContentTests(ApiTestCase):
    def design(self) -> Build:
        self.build.refresh_from_db()
        return self.build.design

    def test_usual_things_come_in_their_usual_size_with_a_name_of_their_own(self) -> None:
        for kind in ("beam", "lamp", "lamp"):
            self.assertEqual(self.send("post", "/contents/things", kind=kind).status_code, 200)
        things = self.design().room.things
        self.assertEqual([thing.name for thing in things], ["beam", "lamp", "lamp 2"])
        self.assertEqual((things[0].width_m, things[0].z_m), (4.6, 2.8), "across the room, under 3.00 m of ceiling")

    def test_every_kind_of_every_group_can_be_added(self) -> None:
        for group, kinds in (
            ("things", ("rail", "duct", "opener", "column", "shelf", "radiator", "other")),
            ("stored", ("car", "boat", "bench", "bicycles", "furniture", "gym", "boxes")),
            ("openings", ("window", "door")),
            ("sockets", ("socket",)),
        ):
            for kind in kinds:
                with self.subTest(group=group, kind=kind):
                    self.assertEqual(self.send("post", f"/contents/{group}", kind=kind).status_code, 200)
        self.assertEqual(len(self.design().room.contents), 17)

    def test_a_kind_that_a_group_does_not_have(self) -> None:
        refused = self.send("post", "/contents/openings", kind="beam")
        self.assertEqual(refused.status_code, 422)
        self.assertEqual(refused.json()["errors"][0], {"field": "kind", "value": "beam", "accepted": "window, door"})

    def test_measuring_moving_and_deciding(self) -> None:
        self.send("post", "/contents/things", kind="lamp")
        reply = self.send("patch", "/contents/things/lamp", z_m="8'", decision="move", new_y_m="6.1").json()
        thing = self.design().room.things[0]
        self.assertEqual((thing.z_m, thing.decision, thing.new_y_m), (2.4384, "move", 6.1))
        self.assertEqual(reply["texts"]["room.things.0.new_y_m"], "6.10 m")
        self.send("patch", "/contents/things/lamp", new_y_m=None)
        self.assertIsNone(self.design().room.things[0].new_y_m)

    def test_what_a_thing_does_not_have_or_take_is_refused_and_nothing_changes(self) -> None:
        self.send("post", "/contents/sockets", kind="socket")
        before = self.design()
        wrong: tuple[tuple[dict[str, Any], str], ...] = (
            ({"decision": "pad"}, "decision"),
            ({"height_m": "high"}, "height_m"),
        )
        for changes, field in wrong:
            refused = self.send("patch", "/contents/sockets/socket", **changes)
            self.assertEqual(refused.status_code, 422)
            self.assertEqual(refused.json()["errors"][0]["field"], field)
        self.assertEqual(self.send("patch", "/contents/things/ghost", z_m="2").status_code, 404)
        self.assertEqual(self.design(), before)

    def test_a_drag_stores_nothing(self) -> None:
        self.send("post", "/contents/things", kind="beam")
        before = self.design()
        where: dict[str, Any] = {"view": "floor", "target": "things/beam", "u": 1.08, "v": 2.3}
        reply = self.send("post", "/drag/preview", number=7, **where).json()
        self.assertEqual((reply["number"], reply["texts"]["room.things.0.y_m"]), (7, "1.005 m"))
        self.assertEqual(self.design(), before)

    def test_what_is_let_go_is_kept_where_the_drag_ended(self) -> None:
        """A beam 0.15 m long, taken by its middle: at 1.0749 to the centimetre it begins at 0.995."""
        self.send("post", "/contents/things", kind="beam")
        self.send("post", "/drag", view="floor", target="things/beam", u=1.0749, v=99)
        self.assertEqual(self.design().room.things[0].y_m, 0.995)
        self.send("post", "/contents/stored", kind="boat")
        (boat,) = self.design().room.stored
        self.send("post", "/drag", view="floor", target=f"stored/{boat.id}", u=99, v=99, stowed=True)
        room = self.design().room
        (boat,) = room.stored
        self.assertAlmostEqual(boat.x_m + boat.width_m, room.width_m, msg="all of it stays in the room")
        self.assertAlmostEqual(boat.y_m + boat.length_m, room.length_m)
        self.send("post", "/drag", view="section", target="ball", u=-4, v=0)
        self.assertEqual(self.design().layout.ball_y_m, 0, "no further than the wall")
        nothing = self.send("post", "/drag", view="floor", target="things/moon", u=1, v=1)
        self.assertEqual(nothing.status_code, 404)

    def test_taking_out_and_undoing(self) -> None:
        self.send("post", "/contents/stored", kind="boat")
        self.send("post", "/contents/stored/boat/remove")
        self.assertEqual(self.design().room.stored, ())
        self.send("post", "/undo")
        self.assertEqual(len(self.design().room.stored), 1)

    def test_joists(self) -> None:
        self.send("put", "/joists", along=True, spacing_m="16in")
        joists = self.design().room.joists
        assert joists is not None
        self.assertEqual((joists.along, joists.spacing_m), (True, 0.4064))
        self.send("post", "/joists/forget")
        self.assertIsNone(self.design().room.joists)

    def test_no_more_than_a_room_can_list(self) -> None:
        self.build.refresh_from_db()
        for _ in range(60):
            self.send("post", "/contents/sockets", kind="socket")
        refused = self.send("post", "/contents/sockets", kind="socket")
        self.assertEqual(refused.json()["errors"][0]["accepted"], "at most 60")

    def test_the_stowed_layout_is_drawn_once_there_is_something_to_hold(self) -> None:
        self.assertIsNone(self.client.get(self.url()).json()["report"]["stowed"])
        reply = self.send("post", "/contents/stored", kind="boat").json()
        meanings = {shape["meaning"] for shape in reply["report"]["stowed"]["shapes"]}
        self.assertLessEqual({"room", "stored", "standing"}, meanings)
        self.send("patch", "/layout", stays_up=["screen", "mat"])
        self.assertEqual(self.design().layout.stays_up, ("screen", "mat"))

    def test_groups_are_fields_of_the_room(self) -> None:
        for group in ContentGroup:
            self.assertEqual(getattr(self.design().room, group), ())


class RoomTests(ApiTestCase):
    def test_rooms_side_by_side_and_chosen(self) -> None:
        self.send("post", "/rooms", name="Garage")
        rooms = self.rooms()
        self.assertEqual(len(rooms["options"]), 8)
        self.assertEqual({option["room"] for option in rooms["options"]}, {"The room", "Garage"})
        garage = rooms["options"][4]["candidate"]
        reply = self.send("post", f"/rooms/{garage}/choose", quarters=1).json()
        self.assertEqual((reply["build"]["room"]["name"], reply["build"]["room"]["width_m"]), ("Garage", 6.0))
        self.assertEqual(self.send("post", "/rooms/screen", quarters=3).json()["build"]["room"]["width_m"], 4.5)
        self.assertEqual(self.send("post", f"/rooms/{garage}/drop").json()["build"]["candidates"], [])
        self.assertEqual(self.send("post", "/rooms/ghost/choose").status_code, 404)


class FollowingBallTests(ApiTestCase):
    """Nobody has placed the ball of a build that has just begun."""

    def setUp(self) -> None:
        super().setUp()
        begun = self.client.post("/api/builds", {"name": "Garage"}, content_type="application/json").json()
        self.build = StoredBuild.objects.get(pk=begun["id"])

    def ball(self) -> tuple[float, float]:
        self.build.refresh_from_db()
        return self.build.design.layout.ball_x_m, self.build.design.layout.ball_y_m

    def test_it_follows_the_room_and_the_bay_until_somebody_moves_it(self) -> None:
        """4.50 × 6.00 m with the screen at 0.40: 2.25 and 3.40; in a room of 3.00 m its last metre stays free."""
        self.assertEqual(self.ball(), (2.25, 3.4))
        self.send("patch", "/room", width_m="6.4")
        self.assertEqual(self.ball(), (3.2, 3.4))
        self.send("patch", "/room", length_m="3")
        self.assertEqual(self.ball(), (3.2, 2.0))
        self.send("patch", "/room", length_m="7")
        self.send("patch", "/layout", screen_x_m="2", screen_y_m="0.5")
        self.assertEqual(self.ball(), (2.0, 3.5))
        self.send("patch", "/layout", ball_x_m="2.2")
        self.send("patch", "/room", width_m="8", length_m="5")
        self.assertEqual(self.ball(), (2.2, 3.5), "it stays where somebody put it")


class OutsideTests(ApiTestCase):
    def test_nothing_is_put_outside_the_room(self) -> None:
        """4.60 × 7.00 m: each is named as it was typed, with how far the room goes; and nothing changes."""
        before = self.client.get(self.url()).json()["revision"]
        for field, value, way in (
            ("ball_x_m", "5", "4.60 m"),
            ("right_wall_m", "4.7", "4.60 m"),
            ("behind_ball_m", "7.5", "7.00 m"),
            ("screen_x_m", "9", "4.60 m"),
            ("screen_to_right_wall_m", "-1", "4.60 m"),
            ("screen_y_m", "8", "7.00 m"),
        ):
            with self.subTest(field):
                body: dict[str, Any] = {field: value}
                refused = self.send("patch", "/layout", **body)
                self.assertEqual(refused.status_code, 422)
                (error,) = refused.json()["errors"]
                self.assertEqual((error["field"], error["value"]), (field, value))
                self.assertIn(way, error["accepted"])
        self.assertEqual(self.client.get(self.url()).json()["revision"], before)
        self.assertEqual(self.send("patch", "/layout", ball_x_m="4.6", screen_x_m="0").status_code, 200)


class BriefTests(ApiTestCase):
    def test_every_answer_is_kept(self) -> None:
        answers: dict[str, Any] = {
            "visitors": True,
            "earlier_stages": ["net"],
            "tax_treatment": "reclaimed",
            "valuation": "newcomer",
            "used_is_fine": True,
            "approach": "start_small",
            "other_uses": ["car"],
            "conditions": [{"id": "a", "text": "Quiet after nine", "met": False}],
            "packed_away": True,
            "setup_minutes": 20,
            "rented": True,
            "may_move": True,
            "noise": "quiet",
            "looks": "finished",
            "hours_a_week": 3.5,
            "playable_by": (timezone.localdate() + timedelta(days=90)).isoformat(),
            "build_hours_a_week": 5,
            "skills": ["timber"],
        }
        reply = self.send("patch", "/brief", **answers).json()
        for field, answer in answers.items():
            self.assertEqual(reply["build"]["brief"][field], answer, field)
        questions = [question["question"] for question in reply["report"]["questions"]]
        self.assertIn("Not settled yet: Quiet after nine", questions)
        self.assertIn("Where the car stands is not known", questions)
        self.assertIn("time.playable", [verdict["id"] for verdict in reply["report"]["verdicts"]])

    def test_hours_and_minutes_that_cannot_be_read_are_refused_and_what_was_said_stays(self) -> None:
        self.send("patch", "/brief", hours_a_week="3,5", setup_minutes="0.5 h", build_hours_a_week="5 h")
        for field, text in (("hours_a_week", "many"), ("setup_minutes", "soon"), ("build_hours_a_week", "x")):
            with self.subTest(field):
                change: dict[str, Any] = {field: text}
                refused = self.send("patch", "/brief", **change)
                self.assertEqual(refused.status_code, 422)
                self.assertEqual(refused.json()["errors"][0]["value"], text)
        reply = self.client.get(self.url()).json()
        fields = ("hours_a_week", "setup_minutes", "build_hours_a_week")
        self.assertEqual([reply["texts"][f"brief.{field}"] for field in fields], ["3.5 h", "30 min", "5 h"])

    def test_what_each_answer_steers_is_told(self) -> None:
        steers = self.client.get("/api/session").json()["steers"]
        self.assertEqual(steers["noise"], ["Hum of the devices", "Noise of the strike"])


class DrawingFileTests(ApiTestCase):
    def test_svg_and_dxf_of_both_layouts(self) -> None:
        self.send("post", "/contents/stored", kind="boat")
        for layout in ("playing", "stowed"):
            svg = self.client.get(self.url(f"/drawing.svg?layout={layout}"))
            self.assertEqual(svg["Content-Type"], "image/svg+xml")
            self.assertEqual(ElementTree.fromstring(svg.content).get("width"), "210mm")
            dxf = self.client.get(self.url(f"/drawing.dxf?layout={layout}"))
            self.assertIn(f"test-{layout}.dxf", dxf["Content-Disposition"])
            text = dxf.content.decode()
            self.assertIn("OBSTRUCTIONS", text)

    def test_a_room_that_holds_nothing_has_no_stowed_layout(self) -> None:
        self.assertEqual(self.client.get(self.url("/drawing.svg?layout=stowed")).status_code, 404)
        self.assertEqual(self.client.get("/api/builds/999/drawing.dxf").status_code, 404)
