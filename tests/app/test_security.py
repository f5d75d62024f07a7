"""Signing in, the local mode, what strangers cannot do, and the headers around it all."""

import os
import subprocess
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from io import StringIO
from pathlib import Path
from typing import Any
from unittest.mock import patch

from django.contrib.auth.models import User
from django.contrib.sessions.models import Session
from django.core.management import CommandError, call_command
from django.test import Client, TestCase, override_settings

from jungle.catalogue.models import Entry
from jungle.web import sign_in
from tests.app.worlds import SECRET, person

ROOT = Path(__file__).resolve().parents[2]
PROXY = "203.0.113.5"


@override_settings(LOCAL=True)
class LocalModeTests(TestCase):
    def status(self, **meta: str) -> int:
        return int(Client(**meta).get("/api/session").status_code)  # type: ignore[arg-type]

    def test_the_owner_needs_no_password_has_a_catalogue_and_leaves_no_session(self) -> None:
        reply = self.client.get("/api/session")
        self.assertEqual(reply.json()["user"], "owner")
        self.assertGreater(Entry.objects.filter(owner__username="owner").count(), 48)
        self.assertFalse(User.objects.get().has_usable_password())
        self.assertEqual((Session.objects.count(), reply.cookies.get("sessionid")), (0, None))

    def test_only_from_this_machine(self) -> None:
        self.assertEqual(self.status(REMOTE_ADDR="192.0.2.7"), 401)
        self.assertEqual(self.status(REMOTE_ADDR="::1"), 200)
        self.assertEqual(self.status(REMOTE_ADDR=""), 200, "a unix socket")
        self.assertContains(Client(REMOTE_ADDR="192.0.2.7").get("/"), "local mode", status_code=403)

    def test_nobody_comes_through_a_proxy(self) -> None:
        for header in (
            "X_FORWARDED_FOR", "X_FORWARDED_HOST", "X_FORWARDED_PROTO", "X_REAL_IP", "FORWARDED", "VIA",
        ):  # fmt: skip
            self.assertEqual(self.status(**{f"HTTP_{header}": "203.0.113.9"}), 401, header)
        self.assertEqual(self.status(SERVER_PROTOCOL="HTTP/1.0"), 401, "as proxies speak, and no browser")
        self.assertContains(Client(HTTP_VIA="1.1 proxy").get("/"), "local mode", status_code=403)

    def test_nobody_comes_from_another_site(self) -> None:
        for site, status in (("cross-site", 401), ("same-site", 401), ("same-origin", 200), ("none", 200)):
            self.assertEqual(self.status(HTTP_SEC_FETCH_SITE=site), status, site)
        followed = Client(HTTP_SEC_FETCH_SITE="cross-site").get("/builds/1/parts")
        self.assertEqual(followed.status_code, 200, "a link from elsewhere opens the page, which holds nothing")

    def test_another_host_name_is_refused(self) -> None:
        with self.assertLogs("django.security.DisallowedHost"):
            self.assertEqual(self.client.get("/", headers={"host": "evil.example"}).status_code, 400)


@override_settings(LOCAL=False)
class SignInTests(TestCase):
    def post(self, name: str, password: str, **meta: str) -> Any:
        return Client(**meta).post("/sign-in", {"username": name, "password": password})  # type: ignore[arg-type]

    def guess(self, times: int, name: str = "ada", **meta: str) -> int:
        """The status of the last of some wrong guesses."""
        return [int(self.post(name, f"guess {number}", **meta).status_code) for number in range(times)][-1]

    def test_name_and_password(self) -> None:
        person("ada", SECRET)
        page = self.client.get("/sign-in?next=/builds/1/room")
        self.assertContains(page, "Sign in to your builds")
        wrong = self.client.post("/sign-in", {"username": "ada", "password": "wrong"})
        self.assertContains(wrong, "do not match")
        right = self.client.post("/sign-in", {"username": "ada", "password": SECRET, "next": "/builds/1/room"})
        self.assertRedirects(right, "/builds/1/room", fetch_redirect_response=False)
        self.assertGreater(Entry.objects.filter(owner__username="ada").count(), 48)
        self.client.post("/sign-out")
        self.assertEqual(self.client.get("/api/session").status_code, 401)
        self.assertRedirects(self.client.get("/builds/1/room"), "/sign-in?next=/builds/1/room")

    @contextmanager
    def guessing(self) -> Iterator[None]:
        person("ada", SECRET)
        with self.assertLogs("axes", "WARNING"):
            yield

    def test_guessing_is_stopped_and_locks_nobody_elsewhere_out(self) -> None:
        with self.guessing():
            self.assertEqual(self.guess(1), 200)
            self.assertEqual(self.guess(8), 429)
            self.assertEqual(self.post("ada", SECRET).status_code, 429, "nor the right one, from there")
            self.assertEqual(self.post("ada", SECRET, REMOTE_ADDR="198.51.100.4").status_code, 302)

    @override_settings(TRUSTED_PROXIES=frozenset({PROXY}))
    def test_behind_a_trusted_proxy_strangers_lock_themselves_out_alone(self) -> None:
        with self.guessing():
            stranger = {"REMOTE_ADDR": PROXY, "HTTP_X_FORWARDED_FOR": "1.2.3.4, 198.51.100.66"}
            self.assertEqual(self.guess(9, **stranger), 429)
            made_up = {**stranger, "HTTP_X_FORWARDED_FOR": "192.0.2.1, 198.51.100.66"}
            self.assertEqual(self.guess(1, **made_up), 429, "what stands left of its own address counts for nothing")
            ada = {"REMOTE_ADDR": PROXY, "HTTP_X_FORWARDED_FOR": "198.51.100.4"}
            self.assertEqual(self.post("ada", SECRET, **ada).status_code, 302)

    def test_guesses_over_many_names_are_limited_by_their_address(self) -> None:
        with self.guessing(), patch.object(sign_in, "MOST_OF_AN_ADDRESS", 12):
            statuses = [self.guess(1, name=f"name-{number}") for number in range(14)]
            self.assertEqual((statuses[0], statuses[-1]), (200, 429))
            self.assertEqual(self.post("ada", SECRET, REMOTE_ADDR="198.51.100.4").status_code, 302)

    def test_further_guesses_do_not_prolong_it(self) -> None:
        with self.guessing():
            self.guess(9)
            from axes.models import AccessAttempt

            before = AccessAttempt.objects.get().attempt_time
            self.guess(3)
            self.assertEqual(AccessAttempt.objects.get().attempt_time, before)

    def test_without_an_address_or_behind_a_proxy_that_it_was_not_told_of(self) -> None:
        person("ada", SECRET)
        self.assertEqual(self.post("ada", SECRET, REMOTE_ADDR="").status_code, 302, "a unix socket")
        unknown = {"REMOTE_ADDR": "127.0.0.1", "HTTP_X_FORWARDED_FOR": "198.51.100.4"}
        reply = self.post("ada", SECRET, **unknown)
        self.assertContains(reply, "JUNGLE_TRUSTED_PROXIES", status_code=503)

    def test_a_password_is_changed_on_a_page_and_has_to_be_a_good_one(self) -> None:
        self.client.force_login(person("ada", SECRET))
        weak = self.client.post("/password", {"old_password": SECRET, "new_password1": "ada", "new_password2": "ada"})
        self.assertContains(weak, "too short")
        new = "another long secret"
        changed = self.client.post("/password", {"old_password": SECRET, "new_password1": new, "new_password2": new})
        self.assertRedirects(changed, "/", fetch_redirect_response=False)
        self.assertEqual(self.client.get("/api/session").status_code, 200, "this device stays signed in")
        self.assertEqual(self.post("ada", new).status_code, 302)


class AddPersonTests(TestCase):
    def add(self, name: str, *passwords: str, **options: object) -> str:
        out = StringIO()
        with patch("jungle.web.management.commands.add_person.getpass", side_effect=passwords):
            call_command("add_person", name, stdout=out, **options)
        return out.getvalue()

    def test_asks_twice_and_validates(self) -> None:
        for name, passwords, words in (
            ("ada", ("short", "short"), "too short"),
            ("ada", ("password123456", "password123456"), "too common"),
            ("ada", (SECRET, "another secret of mine"), "not the same"),
            ("a b", (), "Enter a valid username"),
        ):
            with self.assertRaisesMessage(CommandError, words):
                self.add(name, *passwords)
        self.assertEqual(User.objects.count(), 0)
        self.assertIn("ada can sign in", self.add("ada", SECRET, SECRET))
        self.assertTrue(User.objects.get().check_password(SECRET))

    def test_one_who_is_there_gets_another_password_only_when_asked_for(self) -> None:
        person("ada", SECRET)
        with self.assertRaisesMessage(CommandError, "already"):
            self.add("ada", SECRET, SECRET)
        self.add("ada", "another long secret", "another long secret", new_password=True)
        self.assertTrue(User.objects.get().check_password("another long secret"))


class HeaderTests(TestCase):
    def test_no_script_or_style_from_elsewhere_or_inline(self) -> None:
        policy = self.client.get("/")["Content-Security-Policy"]
        self.assertIn("script-src 'self'", policy)
        self.assertIn("style-src 'self'", policy)
        self.assertNotIn("unsafe", policy)
        self.assertIn("frame-ancestors 'none'", policy)

    def test_nothing_is_lent_to_other_sites(self) -> None:
        for path in ("/", "/api/session", "/api/builds/1/drawing.svg", "/healthz"):
            self.assertEqual(self.client.get(path)["Cross-Origin-Resource-Policy"], "same-origin", path)

    def test_the_page_itself_has_no_inline_script(self) -> None:
        page = self.client.get("/").content.decode()
        self.assertNotIn("<script>", page)
        self.assertNotIn("style=", page)


class SettingsTests(TestCase):
    def run_python(self, *arguments: str, **environment: str) -> "subprocess.CompletedProcess[str]":
        base = {
            **os.environ,
            "DJANGO_SETTINGS_MODULE": "jungle.settings",
            "JUNGLE_LOCAL": "0",
            "JUNGLE_SECRET_KEY": "k" * 25 + "0123456789abcdefghijklmnop",
            "JUNGLE_ALLOWED_HOSTS": "jungle.example",
        }
        return subprocess.run(
            [sys.executable, *arguments],
            cwd=ROOT,
            env={**base, **environment},
            capture_output=True,
            text=True,
            check=False,
        )

    def told(self, expression: str, **environment: str) -> str:
        done = self.run_python("-c", f"from django.conf import settings; print({expression})", **environment)
        self.assertEqual(done.returncode, 0, done.stderr)
        return done.stdout.strip()

    def test_production_settings_pass_djangos_own_check(self) -> None:
        done = self.run_python("manage.py", "check", "--deploy", "--fail-level", "WARNING")
        self.assertEqual(done.returncode, 0, done.stderr)

    def test_production_does_not_start_without_a_key(self) -> None:
        self.assertIn(
            "JUNGLE_SECRET_KEY must be set", self.run_python("manage.py", "check", JUNGLE_SECRET_KEY="").stderr
        )

    def test_plain_http_in_a_house_network_can_sign_in_when_asked_for(self) -> None:
        cookies = "settings.SESSION_COOKIE_SECURE, settings.CSRF_COOKIE_SECURE, settings.SECURE_SSL_REDIRECT"
        self.assertEqual(self.told(cookies), "True True True")
        self.assertEqual(self.told(cookies, JUNGLE_HTTPS="0"), "False False False")

    def test_preloading_is_a_choice(self) -> None:
        expression = "settings.SECURE_HSTS_PRELOAD, settings.SECURE_HSTS_INCLUDE_SUBDOMAINS"
        self.assertEqual(self.told(expression), "False False")
        self.assertEqual(self.told(expression, JUNGLE_HSTS_PRELOAD="1"), "True True")
