"""Signing in, the local mode, and the headers around it all."""

import os
import subprocess
import sys
from pathlib import Path

from django.contrib.auth.models import User
from django.test import Client, TestCase, override_settings

from jungle.catalogue.models import Entry
from tests.app.worlds import person

ROOT = Path(__file__).resolve().parents[2]


@override_settings(LOCAL=True)
class LocalModeTests(TestCase):
    def test_the_owner_is_signed_in_by_itself_with_a_catalogue(self) -> None:
        reply = self.client.get("/api/session")
        self.assertEqual(reply.json()["user"], "owner")
        self.assertGreater(Entry.objects.filter(owner__username="owner").count(), 48)
        self.assertFalse(User.objects.get().has_usable_password())

    def test_only_from_this_machine(self) -> None:
        self.assertEqual(Client(REMOTE_ADDR="192.0.2.7").get("/api/session").status_code, 401)
        self.assertEqual(Client(REMOTE_ADDR="::1").get("/api/session").status_code, 200)

    def test_another_host_name_is_refused(self) -> None:
        with self.assertLogs("django.security.DisallowedHost"):
            self.assertEqual(self.client.get("/", headers={"host": "evil.example"}).status_code, 400)


@override_settings(LOCAL=False)
class SignInTests(TestCase):
    def test_name_and_password(self) -> None:
        person("ada")
        page = self.client.get("/sign-in?next=/builds/1/room")
        self.assertContains(page, "Sign in to your builds")
        wrong = self.client.post("/sign-in", {"username": "ada", "password": "wrong"})
        self.assertContains(wrong, "do not match")
        right = self.client.post(
            "/sign-in", {"username": "ada", "password": "a long enough secret", "next": "/builds/1/room"}
        )
        self.assertRedirects(right, "/builds/1/room", fetch_redirect_response=False)
        self.assertGreater(Entry.objects.filter(owner__username="ada").count(), 48)
        self.client.post("/sign-out")
        self.assertEqual(self.client.get("/api/session").status_code, 401)

    def test_guessing_is_stopped(self) -> None:
        person("ada")
        with self.assertLogs("axes", "WARNING"):
            replies = [
                self.client.post("/sign-in", {"username": "ada", "password": f"guess {number}"}).status_code
                for number in range(10)
            ]
        self.assertEqual(replies[0], 200)
        self.assertEqual(replies[-1], 429)


class HeaderTests(TestCase):
    def test_no_script_or_style_from_elsewhere_or_inline(self) -> None:
        policy = self.client.get("/")["Content-Security-Policy"]
        self.assertIn("script-src 'self'", policy)
        self.assertIn("style-src 'self'", policy)
        self.assertNotIn("unsafe", policy)
        self.assertIn("frame-ancestors 'none'", policy)

    def test_the_page_itself_has_no_inline_script(self) -> None:
        page = self.client.get("/").content.decode()
        self.assertNotIn("<script>", page)
        self.assertNotIn("style=", page)

    def test_production_settings_pass_djangos_own_check(self) -> None:
        environment = {
            **os.environ,
            "JUNGLE_LOCAL": "0",
            "JUNGLE_SECRET_KEY": "k" * 25 + "0123456789abcdefghijklmnop",
            "JUNGLE_ALLOWED_HOSTS": "jungle.example",
        }
        command = [sys.executable, "manage.py", "check", "--deploy", "--fail-level", "WARNING"]
        done = subprocess.run(command, cwd=ROOT, env=environment, capture_output=True, text=True, check=False)
        self.assertEqual(done.returncode, 0, done.stderr)

    def test_production_does_not_start_without_a_key(self) -> None:
        environment = {**os.environ, "JUNGLE_LOCAL": "0", "JUNGLE_SECRET_KEY": ""}
        command = [sys.executable, "manage.py", "check"]
        done = subprocess.run(command, cwd=ROOT, env=environment, capture_output=True, text=True, check=False)
        self.assertIn("JUNGLE_SECRET_KEY must be set", done.stderr)
