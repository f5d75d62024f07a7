"""Pressing what is offered: it is found again on the build as it is, and made as one edit."""

from collections.abc import Iterator

from django.contrib.auth.models import User
from django.utils import timezone

from core.checks import GRAPH
from core.checks.needs import ITEMS
from core.model.build import Build, Slot
from core.model.facts import MissingFact
from core.model.parts import Part as SpecSheet
from core.report.offers import MOST_TRIED, Offer, offers_about, spots_offered
from core.report.routes import RouteKind, routes_to
from core.report.shortlist import nearest_in_price, prices_of
from core.report.small_items import kinds_serving
from jungle.builds.models import StoredBuild
from jungle.builds.services.choosing import why_not_in
from jungle.builds.services.editing import NothingThere, On, edit, edit_bringing
from jungle.builds.services.people import units_of
from jungle.catalogue.models import Entry

GONE = "That is no longer offered: the build has changed since. Look again at what helps now."


def offered(actor: User, build: Build, check: str, subject: str) -> Iterator[Offer]:
    """What may be done about one verdict, with the actor's parts that are nearest in price to what hangs."""
    if check not in {known.id for known in GRAPH.checks}:
        raise NothingThere(f"There is no check '{check}'.")
    owned = Entry.objects.visible_to(actor.pk)
    sheets = dict(owned.named(*build.parts_named).sheets())
    prices = prices_of(build, sheets)
    near: list[str] = []
    for slot in GRAPH[check].place.slots:
        near += nearest_in_price(owned.of_slots(slot).listed(), slot, prices, MOST_TRIED)
    items = [id for id, need in ITEMS.items() if need in GRAPH.reads_of(check) and id not in build.small_items]
    if items:
        sheets = {**owned.of_kinds(*kinds_serving(*items)).sheets(), **sheets}
    sheets = {**owned.named(*near).sheets(), **sheets}
    return offers_about(build, sheets, (check, subject), timezone.localdate())


def press_offer(on: On, check: str, subject: str, words: str) -> StoredBuild:
    """Do what was offered about a verdict in these words. Raises `NothingThere` where it no longer is."""
    return edit(on, words, lambda build: _said(on, offered(on.actor, build, check, subject), words))


def spots(actor: User, build: StoredBuild) -> tuple[Offer, ...]:
    """Where the ball may be put, for each hand where one spot does not serve both."""
    return tuple(spots_offered(build.design, build.judged.sheets, timezone.localdate()))


def press_spot(on: On, words: str) -> StoredBuild:
    """Put the ball where that was offered. Raises `NothingThere` where it no longer is."""

    def change(build: Build) -> Build:
        sheets = Entry.objects.visible_to(on.actor.pk).named(*build.parts_named).sheets()
        return _said(on, spots_offered(build, sheets, timezone.localdate()), words)

    return edit(on, words, change)


def admit(on: On, part_id: str, words: str) -> StoredBuild:
    """Hang a part, or choose it, with the change that admits it; all of them that do together where none is named."""

    def change(build: Build) -> Build:
        found = why_not_in(on.actor, build, part_id)
        if not words and found.together:
            return found.together[-1].build
        units = units_of(on.actor)
        pressed = [one for one in found.admitted_by if one.may_be_pressed and one.change.text(units) == words]
        if not pressed:
            raise NothingThere(GONE)
        return pressed[0].build

    return edit(on, words or f"What admits {part_id}", change)


def take_route(on: On, slot: Slot, kind: RouteKind) -> StoredBuild:
    """Come by what hangs in `slot` as one school does, with all that it buys besides.

    What is made to measure gets a sheet of its own in the catalogue. Raises `NothingThere` where there is no such way.
    """

    def change(build: Build) -> tuple[Build, tuple[SpecSheet, ...]]:
        try:
            routes = routes_to(slot, build, Entry.objects.visible_to(on.actor.pk).sheets())
        except MissingFact as missing:
            raise NothingThere(f"{missing.fact} is not known. {missing.how}") from missing
        route = next((route for route in routes if route.kind is kind), None)
        if route is None or route.build is None:
            raise NothingThere(GONE)
        return route.build, (route.made,) if route.made else ()

    return edit_bringing(on, f"{slot.value.capitalize()}: {kind}", change)


def _said(on: On, offers: Iterator[Offer], words: str) -> Build:
    units = units_of(on.actor)
    for offer in offers:
        if offer.build is not None and offer.words.text(units) == words:
            return offer.build
    raise NothingThere(GONE)
