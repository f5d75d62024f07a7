"""A stand-in for a mail server: a folder with one file for each mail, that the application shows."""

import email
import re
from collections.abc import Sequence
from datetime import datetime
from email import policy
from email.message import EmailMessage as Parsed
from email.utils import getaddresses, parsedate_to_datetime
from pathlib import Path
from typing import NamedTuple
from uuid import uuid4

from django.conf import settings
from django.core.mail import EmailMessage
from django.core.mail.backends.base import BaseEmailBackend

MOST_SHOWN = 50
_NOT_A_NAME = re.compile(r"[^A-Za-z0-9-]+")


class Mail(NamedTuple):
    """One mail as it is read."""

    subject: str
    sent_at: datetime | None
    text: str


class Mailbox(BaseEmailBackend):
    """Writes mails down; one that comes twice under one id is there once."""

    def send_messages(self, email_messages: Sequence[EmailMessage]) -> int:
        """Each as a file; answers how many."""
        folder = Path(settings.MAILBOX)
        folder.mkdir(parents=True, exist_ok=True)
        for message in email_messages:
            told = message.message()
            name = _NOT_A_NAME.sub("-", str(told["Message-ID"])).strip("-")
            written = folder / f".{uuid4()}"
            written.write_bytes(told.as_bytes())
            written.replace(folder / f"{name}.eml")
        return len(email_messages)


def mails_to(address: str) -> list[Mail]:
    """What came for somebody, the newest first."""
    folder = Path(settings.MAILBOX)
    files = sorted(folder.glob("*.eml"), key=lambda file: file.stat().st_mtime, reverse=True) if folder.exists() else []
    found = []
    for file in files[:MOST_SHOWN]:
        parsed = email.message_from_bytes(file.read_bytes(), policy=policy.default)
        if address in [to for _, to in getaddresses([str(parsed["To"])])]:
            found.append(Mail(str(parsed["Subject"]), _date(parsed), parsed.get_content()))
    return found


def _date(parsed: Parsed) -> datetime | None:
    try:
        return parsedate_to_datetime(str(parsed["Date"]))
    except ValueError:
        return None
