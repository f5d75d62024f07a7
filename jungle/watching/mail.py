"""Alerts by mail: each is sent once, under an id of its own, so that one that is sent again is the same mail."""

import logging

from django.contrib.auth.models import User
from django.core.mail import EmailMessage
from django.utils import timezone

from core.quantities import Money
from jungle.watching.models import Alert

log = logging.getLogger(__name__)


def address_of(person: User) -> str:
    """Where somebody's mail goes: on this machine, where no other address is known."""
    return person.email or f"{person.username}@localhost"


def mail_alerts(owner_id: int) -> int:
    """Send what was not sent yet; answers how many. What cannot be sent is tried again the next time."""
    sent = 0
    for alert in Alert.objects.filter(watch__owner_id=owner_id, mailed=False).select_related(
        "watch__owner", "watch__build"
    ):
        try:
            _mail(alert).send()
        except OSError:
            log.exception("Alert %s could not be mailed", alert.pk)
            return sent
        Alert.objects.filter(pk=alert.pk).update(mailed=True)
        sent += 1
    return sent


def _mail(alert: Alert) -> EmailMessage:
    now, target = Money(alert.minor, alert.currency), Money(alert.target_minor, alert.currency)
    before = f"Before it was {Money(alert.before_minor, alert.currency).text()}." if alert.before_minor else ""
    lines = [
        f"{alert.watch.label} has come to {now.text()}: {alert.words}.",
        f"You waited for {target.text()} or less. {before}".strip(),
        f"{alert.effect}." if alert.effect else "",
        f"The build: {alert.watch.build.name}.",
        f"Seen on {timezone.localtime(alert.at):%Y-%m-%d at %H:%M %Z}.",
    ]
    return EmailMessage(
        subject=f"{now.text()}: {alert.watch.label}"[:180],
        body="\n".join(line for line in lines if line),
        to=[address_of(alert.watch.owner)],
        headers={"Message-ID": f"<alert-{alert.watch_id}-{alert.crossing}@jungle>"},
    )
