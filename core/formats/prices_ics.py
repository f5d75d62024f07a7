"""When things are needed, when to buy at the latest, and when sales usually are, as a calendar (RFC 5545)."""

from collections.abc import Iterable, Iterator
from datetime import date, datetime, timedelta

from icalendar import Calendar, Event

from core.formats.renewals_ics import calendar_of, event_of
from core.prices.standing import Sale
from core.quantities import Money
from core.report.prices import LinePrices

YEAR = timedelta(days=364)
"""Fifty-two weeks: sales begin on the same day of the week."""


def prices_ics(name: str, lines: Iterable[LinePrices], uid: str, today: date, now: datetime) -> str:
    """For each line the day on which it is needed, the one on which waiting ends, and the sales that come again if they
    keep to the weeks of the year before. `uid` tells the calendars of builds apart."""
    calendar = calendar_of(f"Prices, {name}", "prices")
    for line in lines:
        for event in _events(line, uid, today, now):
            calendar.add_component(event)
    return _text(calendar)


def _events(line: LinePrices, uid: str, today: date, now: datetime) -> Iterator[Event]:
    yield _day(f"Needed: {line.label}", line.needed_by, f"{uid}-{line.line}-needed", now)
    turns_on = line.advice.turns_on
    if turns_on is not None and today < turns_on < line.needed_by:
        yield _day(f"Buy at today's price: {line.label}", turns_on, f"{uid}-{line.line}-turns", now)
    for number, sale in enumerate(line.standing.sales if line.standing else ()):
        if today < sale.first + YEAR <= line.needed_by:
            yield _sale(line, sale, f"{uid}-{line.line}-sale-{number}", now)


def _sale(line: LinePrices, sale: Sale, uid: str, now: datetime) -> Event:
    least = Money(sale.minor, line.currency).text()
    event = event_of(f"A sale a year ago, {least}: {line.label}", uid, now)
    event.add("dtstart", sale.first + YEAR)
    event.add("dtend", sale.last + YEAR + timedelta(days=1))
    return event


def _day(summary: str, day: date, uid: str, now: datetime) -> Event:
    event = event_of(summary, uid, now)
    event.add("dtstart", day)
    return event


def _text(calendar: Calendar) -> str:
    text: str = calendar.to_ical().decode()
    return text
