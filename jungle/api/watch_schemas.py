"""What goes in and out of the endpoints of watches and alerts."""

from datetime import date
from typing import Annotated

from ninja import Schema
from pydantic import ConfigDict, Field, StringConstraints

from core.model.record import Several
from core.model.shops import ShopId, SoldAs
from core.model.watch import WatchKind
from jungle.api.job_schemas import JobNow


class WatchSet(Schema):
    """What to wait for."""

    model_config = ConfigDict(extra="forbid")

    kind: WatchKind
    subject: Annotated[str, Field(max_length=200)] = ""
    target: Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=40)]
    """As it is typed, in the build's currency."""
    needed_by: date | None = None
    sold_as: Several[SoldAs] = ()
    shops: Several[ShopId] = ()


class WatchNow(Schema):
    """A watch, and how it stands."""

    id: int
    kind: WatchKind
    subject: str
    label: str
    target: str
    target_minor: int
    needed_by: str
    """Empty for the day of the build."""
    allows: str
    """Conditions and shops that count, in words; empty for all."""
    sold_as: list[SoldAs]
    shops: list[str]
    """By their ids."""
    figure: str
    """Empty where nobody knows it, or nobody has looked yet."""
    words: str
    under: bool
    looked_at: str


class AlertNow(Schema):
    """A watch came to its target."""

    id: int
    label: str
    at: str
    figure: str
    before: str
    target: str
    words: str
    effect: str
    mailed: bool


class WatchesNow(Schema):
    """The watches on a build, and what they told and nobody has put away."""

    job: JobNow | None
    watches: list[WatchNow]
    alerts: list[AlertNow]


class MailNow(Schema):
    """A mail in the stand-in mailbox."""

    subject: str
    sent_at: str
    text: str


class MailboxNow(Schema):
    """What came by mail; nothing where mail leaves this machine."""

    is_stand_in: bool
    address: str
    mails: list[MailNow]
