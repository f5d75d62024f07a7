"""Edits: made on the revision they were seen at, recorded, undone and redone; or not made at all."""

from collections.abc import Callable
from datetime import timedelta
from unittest.mock import patch

from django.test import TestCase
from django.utils import timezone

from core.model.build import Build, Slot
from core.model.clubs import Club
from core.model.parts.price import Price
from core.model.typed import FieldErrors
from core.quantities import Money, UnitSystem
from core.report import Report
from jungle.builds.models import Edit, StoredBuild
from jungle.builds.services import brief, builds, chain, room
from jungle.builds.services.editing import (
    NothingThere,
    On,
    StaleRevision,
    edit,
    redo,
    undo,
)
from jungle.builds.services.people import set_units
from jungle.catalogue.entries import EntryState, keep_sheets, revision_of, store_states
from jungle.catalogue.models import Origin
from tests.app.worlds import full_build_of, on, person
from tests.core import worlds


class EditingTestCase(TestCase):
    def setUp(self) -> None:
        self.owner = person()
        self.build = full_build_of(self.owner)

    def on(self) -> On:
        return on(self.build)

    def design(self) -> Build:
        self.build.refresh_from_db()
        return self.build.design


class HistoryTests(EditingTestCase):
    def test_undo_and_redo_walk_the_whole_history(self) -> None:
        for width in ("4.7", "4.8", "4.9"):
            room.measure_room(self.on(), {"width_m": width})
        for earlier in (4.8, 4.7, 4.6):
            undo(self.on())
            self.assertEqual(self.design().room.width_m, earlier)
        with self.assertRaisesMessage(NothingThere, "nothing to undo"):
            undo(self.on())
        for later in (4.7, 4.8, 4.9):
            redo(self.on())
            self.assertEqual(self.design().room.width_m, later)
        with self.assertRaisesMessage(NothingThere, "nothing to redo"):
            redo(self.on())

    def test_a_new_edit_forgets_what_was_undone(self) -> None:
        room.measure_room(self.on(), {"width_m": "4.7"})
        undo(self.on())
        build = room.measure_room(self.on(), {"width_m": "5"})
        self.assertEqual(build.labels, ("Room: width", None))
        self.assertEqual(Edit.objects.filter(build=self.build).count(), 2)

    def test_labels_say_what_would_be_undone_and_redone(self) -> None:
        self.assertEqual(self.build.labels, (None, None))
        build = room.measure_room(self.on(), {"ceiling_m": "3.1"})
        self.assertEqual(build.labels, ("Room: ceiling", None))
        self.assertEqual(undo(self.on()).labels, (None, "Room: ceiling"))

    def test_every_edit_names_its_actor(self) -> None:
        room.measure_room(self.on(), {"width_m": "4.7"})
        self.assertEqual(Edit.objects.get(build=self.build, number=1).actor, self.owner)

    def test_an_edit_that_changes_nothing_is_none(self) -> None:
        before = self.on().revision
        room.measure_room(self.on(), {"width_m": "4.6"})
        self.assertEqual(self.on().revision, before)
        self.assertEqual(self.build.labels, (None, None))

    def test_the_revision_grows_with_undo_too(self) -> None:
        room.measure_room(self.on(), {"width_m": "4.7"})
        revision = self.on().revision
        undo(self.on())
        self.assertEqual(self.on().revision, revision + 1)


class RefusalTests(EditingTestCase):
    def test_an_edit_on_an_older_revision_is_refused_with_the_newer_build(self) -> None:
        seen = self.on()
        room.measure_room(seen, {"width_m": "4.7"})
        attempts: tuple[Callable[[], object], ...] = (
            lambda: room.measure_room(seen, {"width_m": "5"}),
            lambda: undo(seen),
            lambda: builds.rename_build(seen, "Other"),
        )
        for late in attempts:
            with self.assertRaises(StaleRevision) as caught:
                late()
            self.assertEqual(caught.exception.build.design.room.width_m, 4.7)
        self.assertEqual(self.design().room.width_m, 4.7)

    def test_a_refused_value_leaves_everything_as_it_was(self) -> None:
        before = self.design()
        attempts: tuple[Callable[[], object], ...] = (
            lambda: room.measure_room(self.on(), {"length_m": "8", "width_m": "wide"}),
            lambda: room.move(self.on(), {"ball_x_m": "-1"}),
            lambda: brief.change_brief(self.on(), {"currency": "XXX"}),
            lambda: brief.change_player(self.on(), "ada", {"height_m": "5 m"}),
        )
        for refused in attempts:
            with self.assertRaises(FieldErrors):
                refused()
        self.assertEqual(self.design(), before)
        self.assertEqual(self.build.revision, 0)

    def test_a_change_that_fails_half_way_stores_nothing(self) -> None:
        def fails(build: Build) -> Build:
            raise RuntimeError("half way")

        with self.assertRaises(RuntimeError):
            edit(self.on(), "Fails", fails)
        self.assertEqual(Edit.objects.filter(build=self.build).count(), 1)

    def test_nobody_edits_a_build_of_somebody_else(self) -> None:
        stranger = person("mallory")
        with self.assertRaisesMessage(NothingThere, "There is no build"):
            room.measure_room(On(self.build.pk, 0, stranger), {"width_m": "9"})
        with self.assertRaises(NothingThere):
            builds.delete_build(self.build.pk, stranger)


class RoomTests(EditingTestCase):
    def test_a_measured_value_is_no_guess_any_more(self) -> None:
        fresh = builds.start_build(self.owner, Build(name="New"))
        self.assertEqual(fresh.design.room.guessed, ("width_m", "length_m", "ceiling_m"))
        measured = room.measure_room(on(fresh), {"length_m": "7 m"})
        self.assertEqual(measured.design.room.guessed, ("width_m", "ceiling_m"))

    def test_confirming_a_guess_is_an_edit(self) -> None:
        fresh = builds.start_build(self.owner, Build(name="New"))
        measured = room.measure_room(on(fresh), {"width_m": "4.5"})
        self.assertNotIn("width_m", measured.design.room.guessed)

    def test_lengths_are_typed_in_the_persons_units(self) -> None:
        set_units(self.owner, UnitSystem.IMPERIAL)
        room.measure_room(self.on(), {"width_m": "15' 6\""})
        self.assertEqual(self.design().room.width_m, 4.7244)

    def test_moving_by_any_dimension(self) -> None:
        room.move(self.on(), {"ball_to_screen_m": "3.2"})
        self.assertEqual(self.design().layout.ball_y_m, 3.6)
        room.move(self.on(), {"behind_ball_m": "3"})
        self.assertEqual(self.design().layout.ball_y_m, 4.0)
        build = room.move(self.on(), {"lens_height_m": 2.4, "lens_distance_m": "3"})
        self.assertEqual(build.labels[0], "Moved the projector")
        room.move(self.on(), {"lens_height_m": None})
        self.assertIsNone(self.design().layout.lens_height_m)


class BriefTests(EditingTestCase):
    def test_players_come_and_go(self) -> None:
        brief.add_player(self.on(), {})
        brief.add_player(self.on(), {"name": "Zoe", "height_m": "5'6\""})
        players = self.design().brief.players
        self.assertEqual([player.id for player in players], ["ada", "lin", "player-1", "player-2"])
        self.assertAlmostEqual(players[3].height_m, 1.6764)
        brief.remove_player(self.on(), "player-1")
        brief.add_player(self.on(), {})
        self.assertEqual([player.id for player in self.design().brief.players][-2:], ["player-2", "player-3"])

    def test_no_such_player(self) -> None:
        attempts: tuple[Callable[[], object], ...] = (
            lambda: brief.change_player(self.on(), "ghost", {"name": "X"}),
            lambda: brief.remove_player(self.on(), "ghost"),
        )
        for missing in attempts:
            with self.assertRaisesMessage(NothingThere, "There is no player ghost."):
                missing()

    def test_an_amount_is_read_in_the_currency_it_comes_with(self) -> None:
        answers = {"currency": "JPY", "up_front_cap_minor": "900,000", "yearly_cap_minor": None}
        brief.change_brief(self.on(), answers)
        self.assertEqual(self.design().brief.up_front_cap_minor, 900_000)

    def test_amounts_are_converted_or_the_change_is_refused(self) -> None:
        brief.change_brief(self.on(), {"up_front_cap_minor": "900"})
        with self.assertRaisesMessage(FieldErrors, "enter first what 1 USD costs in EUR"):
            brief.change_brief(self.on(), {"currency": "USD"})
        self.assertEqual(self.design().brief.currency, "EUR", "nothing is half changed")
        brief.change_brief(self.on(), {"exchange_rates": [{"currency": "USD", "rate": "0.90"}]})
        brief.change_brief(self.on(), {"currency": "USD"})
        self.assertEqual(self.design().brief.up_front_cap, Money(100_000, "USD"))


class TestSwingTests(EditingTestCase):
    def test_a_swing_is_measured_dated_replaced_and_withdrawn(self) -> None:
        brief.measure_reach(self.on(), "ada", Club.DRIVER, {"height_m": "2.55", "back_m": "1.7"})
        brief.measure_reach(self.on(), "ada", Club.WEDGE, {"height_m": "7'6\""})
        brief.measure_reach(self.on(), "ada", Club.DRIVER, {"height_m": "2600mm"})
        reaches = self.design().brief.players[0].measured_reaches
        self.assertEqual([(reach.club, reach.height_m) for reach in reaches], [("wedge", 2.286), ("driver", 2.6)])
        self.assertEqual(reaches[1].back_m, 1.7)
        brief.measure_reach(self.on(), "ada", Club.WEDGE, {"height_m": ""})
        self.assertEqual(len(self.design().brief.players[0].measured_reaches), 1)
        undo(self.on())
        self.assertEqual(reaches[1].dated, timezone.localdate().isoformat())
        brief.withdraw_reach(self.on(), "ada", Club.DRIVER)
        self.assertEqual(len(self.design().brief.players[0].measured_reaches), 1)
        with self.assertRaisesMessage(NothingThere, "No test swing with the driver"):
            brief.withdraw_reach(self.on(), "ada", Club.DRIVER)
        undo(self.on())
        self.assertEqual(len(self.design().brief.players[0].measured_reaches), 2)

    def test_a_reach_nobody_has_is_refused(self) -> None:
        for height in ("9", "high"):
            with self.assertRaises(FieldErrors) as caught:
                brief.measure_reach(self.on(), "ada", Club.DRIVER, {"height_m": height})
            self.assertEqual(caught.exception.errors[0][:2], ("height_m", height))


class ChainTests(EditingTestCase):
    def test_parts_are_hung_decided_on_and_taken_down(self) -> None:
        chain.decide_on_part(self.on(), Slot.MACHINE, {"owned": True, "replacement_value_minor": "700"})
        self.assertEqual(self.design().chain[Slot.MACHINE].replacement_value_minor, 70_000)
        chain.decide_on_part(self.on(), Slot.MONITOR, {"plan": "full"})
        self.assertEqual(self.design().chain[Slot.MONITOR].plan, "full")
        chain.take_down(self.on(), Slot.TITLE)
        self.assertNotIn(Slot.TITLE, self.design().chain)
        chain.hang_part(self.on(), Slot.TITLE, "title")
        self.assertEqual(self.design().chain[Slot.TITLE].plan, "monthly")

    def test_what_is_not_there_cannot_be_hung_or_decided_on(self) -> None:
        chain.take_down(self.on(), Slot.MAT)
        attempts: tuple[Callable[[], object], ...] = (
            lambda: chain.hang_part(self.on(), Slot.TITLE, "ghost"),
            lambda: chain.hang_part(self.on(), Slot.TITLE, "radar"),
            lambda: chain.take_down(self.on(), Slot.MAT),
            lambda: chain.decide_on_part(self.on(), Slot.MAT, {"owned": True}),
        )
        for missing in attempts:
            with self.assertRaises(NothingThere):
                missing()


class KeptReportTests(EditingTestCase):
    """What was judged of a stored design serves until the design, a sheet of its parts or the day is another."""

    def report(self) -> Report:
        return StoredBuild.objects.get(pk=self.build.pk).judged.report

    def test_the_same_design_is_judged_once(self) -> None:
        edited = room.measure_room(self.on(), {"width_m": "4.7"})
        self.assertIs(self.report(), edited.judged.report)
        self.assertIs(self.report(), self.report())

    def test_an_edit_is_judged_anew(self) -> None:
        before = self.report()
        room.measure_room(self.on(), {"width_m": "4.7"})
        self.assertIsNot(self.report(), before)

    def test_the_next_day_it_is_judged_anew(self) -> None:
        before = self.report()
        tomorrow = timezone.localdate() + timedelta(days=1)
        with patch("jungle.builds.judging.timezone.localdate", return_value=tomorrow):
            self.assertIsNot(self.report(), before)
        self.assertIs(self.report(), before)

    def test_another_price_of_a_part_is_judged_anew(self) -> None:
        before = self.report()
        dearer = worlds.full_parts()["screen"].model_copy(update={"price": Price(minor=99_900)})
        (digest,) = keep_sheets([dearer])
        states = {"screen": EntryState(digest, None, Origin.OWN)}
        store_states(self.owner.pk, revision_of(self.owner.pk), states)
        self.assertNotEqual(self.report().costs.up_front, before.costs.up_front)
