"""What a person sees when builds would lose parts, a build cannot be shown, or others are storing just now."""

import sqlite3
import threading
import time
from contextlib import closing
from typing import Any

from django.contrib.auth.models import User
from django.db import connection
from django.test import override_settings
from playwright.sync_api import expect

from jungle.builds.models import StoredBuild
from jungle.catalogue.models import Entry
from tests.browser.base import BrowserTestCase

PHONE = {"width": 390, "height": 844}


class GroundTests(BrowserTestCase):
    def test_a_part_that_a_build_has_is_taken_out_only_after_a_word_and_comes_back(self) -> None:
        hung = self.build.design.chain["mat"].part  # type: ignore[index]
        Entry.objects.filter(part_id=hung).update(origin="own")
        name = Entry.objects.get(part_id=hung).spec.name
        page = self.open("catalogue")
        page.get_by_label("Words").fill(name)
        page.get_by_role("button", name=name, exact=True).click()
        dialog = page.get_by_role("dialog", name=name)
        dialog.get_by_role("button", name="Take it out of the catalogue").click()
        self.allowed = ("409",)
        told = dialog.get_by_role("alert")
        expect(told).to_contain_text("Nothing was changed yet")
        expect(told).to_contain_text("Boat shed by the lake: the mat")
        self.assert_accessible(page, "what builds would lose")
        told.get_by_role("button", name="Leave it as it is").click()
        self.assertTrue(Entry.objects.filter(part_id=hung).exists())
        dialog.get_by_role("button", name="Take it out of the catalogue").click()
        told.get_by_role("button", name="Change it, and let them go on without").click()
        expect(page.get_by_role("button", name="Undo: Went on without the mat")).to_be_visible()
        self.assertFalse(Entry.objects.filter(part_id=hung).exists())
        page.get_by_role("button", name="Undo: Went on without the mat").click()
        self.saved()
        self.assertTrue(Entry.objects.filter(part_id=hung).exists(), "it came back with the undo")

    def test_a_part_that_changed_elsewhere_is_shown_as_it_is_now(self) -> None:
        page = self.open("catalogue")
        page.get_by_label("Words").fill("lantern z")
        page.get_by_role("button", name="Lantern Z", exact=True).click()
        page.get_by_role("button", name="Change facts for yourself").click()
        Entry.objects.filter(part_id="lumenhay-lantern-z").update(revision=99)
        page.get_by_label("weight", exact=True).fill("9 kg")
        self.allowed = ("409",)
        page.get_by_role("button", name="Keep these facts").click()
        expect(page.get_by_role("dialog").get_by_text("changed in another window")).to_be_visible()
        expect(page.get_by_label("weight", exact=True)).to_have_value("9 kg")
        page.get_by_role("button", name="Keep these facts").click()
        expect(page.get_by_role("dialog").get_by_text("9.0 kg")).to_be_visible()

    def test_a_build_that_cannot_be_shown_says_so_and_goes_back(self) -> None:
        page = self.open("room")
        self.type_into("Width", "5.1")
        StoredBuild.objects.filter(pk=self.build.pk).update(document="{")
        self.allowed = ("422",)
        page.goto(f"{self.live_server_url}/")
        expect(page.get_by_text("This build cannot be shown.")).to_be_visible()
        expect(page.get_by_role("link", name="Box room in the flat")).to_be_visible()
        self.assert_accessible(page, "a build that cannot be shown")
        self.open("parts")
        page.get_by_role("button", name="Undo its last edit").click()
        expect(page.get_by_role("navigation", name="Steps")).to_be_visible()
        page.goto(f"{self.live_server_url}/")
        expect(page.get_by_text("This build cannot be shown.")).to_have_count(0)

    def test_two_players_of_one_name_are_two_wherever_they_are_shown(self) -> None:
        first = self.build.design.brief.players[0].name
        page = self.open("brief")
        second = self.build.design.brief.players[1]
        page.get_by_label("Name", exact=True).nth(1).fill(first)
        page.get_by_label("Name", exact=True).nth(1).press("Enter")
        self.saved()
        for view in ("parts", "room", "rooms"):
            self.open(view)
            expect(page.get_by_role("main")).not_to_be_empty()
        told = page.get_by_role("columnheader", name=f"{first}’s {second.longest_club}")
        expect(told).to_have_count(2 if self.build.design.brief.players[0].longest_club == second.longest_club else 1)

    def test_while_others_store_an_edit_repeats_itself(self) -> None:
        page = self.open("room")
        held, done = threading.Event(), threading.Event()

        def hold() -> None:
            with closing(sqlite3.connect(str(connection.settings_dict["NAME"]), isolation_level=None)) as database:
                database.execute("BEGIN IMMEDIATE")
                held.set()
                time.sleep(3)
                database.execute("ROLLBACK")
            done.set()

        holder = threading.Thread(target=hold)
        holder.start()
        held.wait()
        self.allowed = ("503",)
        self.type_into("Width", "5.2")
        done.wait()
        holder.join()
        expect(page.get_by_text("5.20 m").first).to_be_visible()
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.room.width_m, 5.2)

    def open(self, view: str = "parts", page: Any = None) -> Any:
        """As for any build; one that cannot be shown has no steps."""
        if StoredBuild.objects.get(pk=self.build.pk).document != "{":
            return super().open(view, page)
        self.page.goto(f"{self.live_server_url}/builds/{self.build.pk}/{view}")
        return self.page


@override_settings(LOCAL=False)
class SignedInTests(BrowserTestCase):
    viewport = PHONE

    def test_signing_in_changing_the_password_and_out(self) -> None:
        User.objects.create_user("ada", password="a long enough secret")
        page, new = self.page, "another long secret"
        page.goto(f"{self.live_server_url}/")
        page.get_by_label("Name").fill("ada")
        page.get_by_label("Password").fill("a long enough secret")
        page.get_by_role("button", name="Sign in").click()
        page.get_by_role("link", name="Change your password").click()
        page.get_by_label("Old password").fill("a long enough secret")
        page.get_by_label("New password", exact=True).fill("short")
        page.get_by_label("New password confirmation").fill("short")
        page.get_by_role("button", name="Change it").click()
        expect(page.get_by_role("alert").first).to_contain_text("too short")
        self.assert_accessible(page, "changing a password")
        self.assert_fits(page)
        page.get_by_label("Old password").fill("a long enough secret")
        page.get_by_label("New password", exact=True).fill(new)
        page.get_by_label("New password confirmation").fill(new)
        page.get_by_role("button", name="Change it").click()
        page.get_by_role("button", name="Sign ada out").click()
        expect(page.get_by_text("Sign in to your builds")).to_be_visible()
