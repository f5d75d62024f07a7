"""Watches through the API: set, looked at, told once a crossing in the application and by mail, and nobody else's."""

import tempfile
from collections.abc import Callable
from datetime import datetime, timedelta
from typing import Any
from unittest.mock import patch

from django.core import mail
from django.test import override_settings
from django.utils import timezone

from core.model.build import Slot
from core.model.shops import Offer, Shop
from core.quantities import Money
from jungle.builds.models import StoredBuild
from jungle.market.models import KnownMarket, What
from jungle.market.terms import revision_of, store
from jungle.standins.mailbox import mails_to
from jungle.watching import watches
from jungle.watching.mail import mail_alerts
from jungle.watching.models import Alert, StoredWatch
from jungle.watching.watches import look_at_watches, owners_to_look_for
from jungle.worker.jobs import ask_due_watches
from jungle.worker.models import Job
from tests.app.worlds import ApiTestCase, person
from tests.core import worlds
from tests.core.money import market

STAND_IN = "jungle.standins.mailbox.Mailbox"


class WatchesTestCase(ApiTestCase):
    """The mat is offered by Near for 100.00, and 5.90 for bringing it."""

    def setUp(self) -> None:
        super().setUp()
        mat = worlds.full_build().chain[Slot.MAT].part
        self.line = f"mat/{mat}"
        self.shop = market.shop(id="near", name="Near", delivery=[{"fee_minor": 590}])
        self.asks(100_00)

    def asks(self, minor: int, **facts: Any) -> None:
        mat = self.line.split("/")[1]
        offer = market.offer(mat, minor, "near", **facts).model_copy(update={"seen": timezone.localdate()})
        known: dict[tuple[What, str], Shop | Offer] = {(What.SHOP, "near"): self.shop, (What.OFFER, offer.id): offer}
        after = {key: term.model_dump_json() for key, term in known.items()}
        store(self.owner.pk, revision_of(self.owner.pk), {}, after, None)

    def offered(self) -> None:
        shop = {(What.SHOP, "far"): self.shop.model_copy(update={"id": "far", "name": "Far"}).model_dump_json()}
        store(self.owner.pk, revision_of(self.owner.pk), {}, shop, "A shop")

    def stepped(self, step: str) -> Callable[[], None]:
        def take() -> None:
            reply = self.client.post(f"/api/shops/{step}", {"revision": revision_of(self.owner.pk)}, "application/json")
            self.assertEqual(reply.status_code, 200, reply.content)

        return take

    def watch(self, target: str = "90", **facts: Any) -> Any:
        body = {"kind": "line", "subject": self.line, "target": target, **facts}
        return self.client.post(self.url("/watches"), body, content_type="application/json")

    def told(self) -> Any:
        return self.client.get(self.url("/watches")).json()

    def look(self) -> list[Alert]:
        return look_at_watches(self.owner.pk, lambda there, needs: Money(1_000_00, "EUR"))


class WatchTests(WatchesTestCase):
    def test_it_is_set_looked_at_and_told_once_a_crossing(self) -> None:
        self.assertEqual(self.watch().status_code, 201)
        self.work()
        (watch,) = self.told()["watches"]
        self.assertEqual((watch["figure"], watch["target"], watch["under"]), ("€105.90", "€90.00", False))
        crossings = []
        for minor in (80_00, 80_00, 79_00, 120_00, 84_10, 84_10):
            self.asks(minor)
            crossings.append(len(self.look()))
        self.assertEqual(crossings, [1, 0, 0, 0, 1, 0])
        newest, first = self.told()["alerts"]
        self.assertEqual((first["figure"], first["before"]), ("€85.90", "€105.90"))
        self.assertEqual((newest["figure"], newest["before"]), ("€90.00", "€125.90"))
        self.assertEqual(first["words"], "Near, new, delivered")
        self.assertIn("The build then comes to", first["effect"])

    def test_sold_out_and_back_at_the_same_price_is_no_news(self) -> None:
        self.watch()
        self.asks(80_00)
        self.assertEqual(len(self.look()), 1)
        self.asks(80_00, in_stock=False)
        self.assertEqual(len(self.look()), 0)
        self.assertEqual(self.told()["watches"][0]["figure"], "")
        self.asks(80_00)
        self.assertEqual(len(self.look()), 0)

    def test_two_that_look_at_once_tell_it_once(self) -> None:
        self.watch()
        self.asks(80_00)
        seen_before = StoredWatch.objects.get()
        self.assertEqual(len(self.look()), 1)
        looked = watches._looked(self.owner, self.build)
        self.assertEqual(watches._look(seen_before, looked, lambda there, needs: None), [])
        self.assertEqual(Alert.objects.count(), 1)

    def test_conditions_shops_and_days(self) -> None:
        self.watch(sold_as=["used"], shops=["near"], needed_by="2027-02-01")
        self.asks(10_00)
        self.assertEqual(self.look(), [])
        (watch,) = self.told()["watches"]
        self.assertEqual((watch["allows"], watch["needed_by"]), ("used; Near", "2027-02-01"))
        line = next(one for one in self.client.get(self.url("/prices")).json()["lines"] if one["line"] == self.line)
        self.assertEqual(line["needed_by"], "2027-02-01")

    def test_changed_it_is_judged_anew_and_keeps_what_it_told(self) -> None:
        """Under 90.00 once; then waited for at 95.00 and under it again: that is another crossing."""
        self.watch("90", sold_as=["new"], shops=["near"])
        self.asks(80_00)
        self.assertEqual(len(self.look()), 1)
        self.watch("95", sold_as=["new"])
        (watch,) = self.told()["watches"]
        self.assertEqual((watch["figure"], watch["sold_as"], watch["shops"]), ("", ["new"], []))
        self.assertEqual(len(self.look()), 1)
        self.assertEqual([alert["target"] for alert in self.told()["alerts"]], ["€95.00", "€90.00"])

    def test_what_was_changed_is_looked_at_when_it_has_been_at_rest(self) -> None:
        """A build, or an offer: at once nothing is due, ten seconds later it is, and looked at it is not any more."""
        now = timezone.now()

        def due(seconds: float) -> list[int]:
            with patch("jungle.watching.watches.timezone.now", return_value=now + timedelta(seconds=seconds)):
                return owners_to_look_for()

        def at(seconds: float) -> datetime:
            return now + timedelta(seconds=seconds)

        self.watch()
        self.assertEqual(due(60), [self.owner.pk])
        StoredWatch.objects.update(looked_at=at(60))
        self.assertEqual(due(90), [])
        StoredBuild.objects.filter(pk=self.build.pk).update(changed_at=at(100))
        self.assertEqual((due(105), due(115)), ([], [self.owner.pk]))
        StoredWatch.objects.update(looked_at=at(115))
        for change in (self.offered, self.stepped("undo"), self.stepped("redo")):
            KnownMarket.objects.update(changed_at=now)
            change()
            KnownMarket.objects.filter(changed_at__gt=now).update(changed_at=at(200))
            self.assertEqual((due(205), due(215)), ([], [self.owner.pk]))
        self.work()
        with patch("jungle.worker.jobs.owners_to_look_for", return_value=[self.owner.pk]):
            self.assertEqual((ask_due_watches(), ask_due_watches()), (1, 0))
            with patch("jungle.worker.rounds.watch", side_effect=ZeroDivisionError), self.assertLogs("jungle.worker"):
                self.work()
            self.assertEqual(ask_due_watches(), 0, "what went wrong is not begun again at once")
            Job.objects.update(asked_at=now - timedelta(hours=1))
            self.assertEqual(ask_due_watches(), 1)

    def test_a_build_that_cannot_be_read_says_so_and_is_not_looked_at_over_and_over(self) -> None:
        self.watch()
        StoredBuild.objects.filter(pk=self.build.pk).update(document="{")
        self.assertEqual(self.look(), [])
        stored = StoredWatch.objects.get()
        self.assertIn("cannot be read", stored.words)
        self.assertIsNotNone(stored.looked_at)

    def test_one_watch_for_each_thing_and_it_can_be_dropped(self) -> None:
        self.watch("90")
        self.watch("80")
        (watch,) = self.told()["watches"]
        self.assertEqual(watch["target"], "€80.00")
        self.assertEqual(self.client.delete(f"/api/prices/watches/{watch['id']}").status_code, 204)
        self.assertEqual(self.told()["watches"], [])
        self.assertEqual(self.client.delete(f"/api/prices/watches/{watch['id']}").status_code, 404)

    def test_places_fees_and_whole_builds(self) -> None:
        report = self.client.get(self.url()).json()["report"]
        fee = next(line["key"] for line in report["costs"]["lines"] if line["fees_a_year"])
        for kind, subject in (("place", "mat"), ("fee", fee), ("total", "")):
            self.assertEqual(self.watch("1", kind=kind, subject=subject).status_code, 201, kind)
        self.work()
        told = {watch["kind"]: watch for watch in self.told()["watches"]}
        self.assertEqual(told["place"]["figure"], "€105.90")
        self.assertTrue(told["fee"]["figure"].startswith("€"))
        self.assertTrue(told["total"]["figure"].startswith("€"), told["total"])

    def test_what_is_refused_says_what_is_accepted(self) -> None:
        for facts, accepted in (
            ({"target": "soon"}, "amount"), ({"target": "0"}, "more than nothing"),
            ({"subject": "mat/gone"}, self.line), ({"kind": "place", "subject": "roof"}, "monitor"),
            ({"kind": "fee", "subject": self.line}, ""),
        ):  # fmt: skip
            body = {"target": "90", **facts}
            reply = self.watch(**body)
            self.assertEqual(reply.status_code, 422, facts)
            self.assertIn(accepted, reply.json()["errors"][0]["accepted"])
        self.assertFalse(StoredWatch.objects.exists())

    def test_an_alert_is_put_away_and_nobody_elses_is_seen(self) -> None:
        self.watch()
        self.asks(80_00)
        (alert,) = self.look()
        self.assertEqual(self.client.get("/api/session").json()["alerts"], {str(self.build.pk): 1})
        other = person("lin")
        self.client.force_login(other)
        self.assertEqual(self.client.post(f"/api/prices/alerts/{alert.pk}/seen").status_code, 404)
        self.assertEqual(self.client.get(self.url("/watches")).status_code, 404)
        self.client.force_login(self.owner)
        self.assertEqual(self.client.post(f"/api/prices/alerts/{alert.pk}/seen").status_code, 204)
        self.assertEqual(self.told()["alerts"], [])
        self.assertEqual(self.client.get("/api/session").json()["alerts"], {})

    def test_a_deleted_build_is_not_watched(self) -> None:
        self.watch()
        self.asks(80_00)
        type(self.build).objects.filter(pk=self.build.pk).update(deleted_at=timezone.now())
        self.assertEqual(self.look(), [])


class MailTests(WatchesTestCase):
    def crossed(self) -> None:
        self.watch()
        self.asks(80_00)
        self.look()

    def test_each_alert_is_mailed_once(self) -> None:
        self.crossed()
        self.assertEqual((mail_alerts(self.owner.pk), mail_alerts(self.owner.pk)), (1, 0))
        (sent,) = mail.outbox
        self.assertIn("€85.90", sent.subject)
        body = str(sent.body)
        for told in ("€90.00 or less", "Near, new, delivered", "The build then comes to", self.build.name):
            self.assertIn(told, body)

    def test_what_could_not_be_sent_is_sent_the_next_time(self) -> None:
        self.crossed()
        with patch("django.core.mail.EmailMessage.send", side_effect=OSError), self.assertLogs("jungle.watching.mail"):
            self.assertEqual(mail_alerts(self.owner.pk), 0)
        self.assertEqual(mail_alerts(self.owner.pk), 1)

    def test_killed_before_it_is_noted_the_mail_is_there_once(self) -> None:
        self.crossed()
        with tempfile.TemporaryDirectory() as folder, override_settings(EMAIL_BACKEND=STAND_IN, MAILBOX=folder):
            killed = patch("jungle.watching.mail.Alert.objects.filter", side_effect=[Alert.objects.all(), SystemExit])
            with killed, self.assertRaises(SystemExit):
                mail_alerts(self.owner.pk)
            self.assertEqual(mail_alerts(self.owner.pk), 1)
            (there,) = mails_to("ada@localhost")
            self.assertIn("€85.90", there.subject)
            box = self.client.get("/api/prices/mailbox").json()
            self.assertEqual([one["subject"] for one in box["mails"]], [there.subject])
            self.assertEqual(mails_to("da@localhost"), [], "who is called so is somebody else")
            self.client.force_login(person("lin"))
            self.assertEqual(self.client.get("/api/prices/mailbox").json()["mails"], [])

    def test_a_mailbox_that_is_none_says_so(self) -> None:
        self.assertFalse(self.client.get("/api/prices/mailbox").json()["is_stand_in"])
