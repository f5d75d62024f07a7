"""When fees come again, as a calendar (RFC 5545)."""

from collections.abc import Iterable
from datetime import datetime, timedelta

from icalendar import Alarm, Calendar, Event

from core.money.renewals import MONTHS_OF_A_YEAR, Renewal

TOLD_BEFORE = timedelta(days=7)


def renewals_ics(name: str, renewals: Iterable[Renewal], uid: str, now: datetime) -> str:
    """A repeated entry for each fee that was paid once, and one for the last day to stop it; the rest is not dated yet.

    `uid` tells the calendars of builds apart, so that one that is read again replaces what was read before.
    """
    calendar = calendar_of(f"Renewals, {name}", "renewals")
    for each in renewals:
        if each.next is not None:
            calendar.add_component(_payment(each, uid, now))
        if each.cancel_by is not None:
            calendar.add_component(_last_day(each, uid, now))
    return calendar.to_ical().decode()


def _payment(each: Renewal, uid: str, now: datetime) -> Event:
    amount = f", {each.amount.text()}" if each.amount else ""
    event = event_of(f"{each.line.label}{amount}", f"{uid}-{each.line.key}", now)
    event.add("dtstart", each.next)
    yearly = each.months == MONTHS_OF_A_YEAR
    event.add("rrule", {"freq": "yearly"} if yearly else {"freq": "monthly", "interval": each.months})
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", event["summary"])
    alarm.add("trigger", -TOLD_BEFORE)
    event.add_component(alarm)
    return event


def _last_day(each: Renewal, uid: str, now: datetime) -> Event:
    event = event_of(f"Last day to stop {each.line.label}", f"{uid}-{each.line.key}-stop", now)
    event.add("dtstart", each.cancel_by)
    return event


def calendar_of(name: str, what: str) -> Calendar:
    """An empty calendar of that name; `what` it tells of names its maker."""
    calendar = Calendar()
    calendar.add("prodid", f"-//Jungle//{what}//EN")
    calendar.add("version", "2.0")
    calendar.add("name", name)
    return calendar


def event_of(summary: str, uid: str, now: datetime) -> Event:
    """An entry that blocks no time; `uid` is its own."""
    event = Event()
    event.add("summary", summary)
    event.add("uid", f"{uid.replace('/', '-').replace(':', '-')}@jungle")
    event.add("dtstamp", now)
    event.add("transp", "TRANSPARENT")
    return event
