"""The Money view: what a build costs in a scope, what was guessed, quoted and paid, and what pays for it."""

from typing import Annotated, Any

from django.utils import timezone
from ninja import Path, Query, Router

from core.formats.buy_list_csv import buy_list_csv
from core.formats.report_json.money import MoneyJson, money_json
from core.model.ledger import Category, LineOf, LinePlace
from core.report.buy_list import buy_list
from core.report.money import USUAL_SCOPE
from core.report.shopping import taken_offers
from core.report.whole_money import WholeMoney, whole_money
from jungle.api.changes import Change
from jungle.api.files import file_of
from jungle.api.replies import edit_on, show
from jungle.api.requests import SignedIn
from jungle.api.routers.builds import EDIT_REPLIES
from jungle.api.schemas import (
    EntryChange,
    FundingChange,
    MoneyScope,
    NewFunding,
    NewOwnLine,
    OwnLineChange,
    Problems,
    ResaleChange,
    RunningChange,
    Ticked,
)
from jungle.builds.models import StoredBuild
from jungle.builds.services import money
from jungle.builds.services.editing import find_build
from jungle.builds.services.people import units_of
from jungle.market.terms import market_of

router = Router(tags=["money"])


@router.get("/{int:build_id}/money", response={200: MoneyJson, 404: Problems, 422: Problems})
def read_money(request: SignedIn, build_id: int, scope: Annotated[MoneyScope, Query()]) -> Any:
    """Totals, heads and lines of the categories that are asked for."""
    return money_json(_whole(find_build(build_id, request.user), scope), units_of(request.user))


@router.get("/{int:build_id}/money/buy-list.csv", response={200: Any, 404: Problems})
def read_buy_list(request: SignedIn, build_id: int) -> Any:
    """What to buy, in its order, as a table for a spreadsheet."""
    build = find_build(build_id, request.user)
    judged = build.judged
    table = buy_list_csv(buy_list(judged.document, judged.report, _addresses(build)), units_of(request.user))
    return file_of(build, table, "text/csv; charset=utf-8", "-to-buy.csv")


@router.get("/{int:build_id}/money/money.xlsx", response={200: Any, 404: Problems})
def read_workbook(request: SignedIn, build_id: int, scope: Annotated[MoneyScope, Query()]) -> Any:
    """The same as a workbook, with its scope in words and formulas that recompute."""
    # Loaded when it is asked for: it takes some megabytes that every other request does without.
    from core.formats.money_xlsx import money_xlsx

    build = find_build(build_id, request.user)
    told = money_xlsx(build.name, _whole(build, scope), units_of(request.user))
    return file_of(build, told, "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "-money.xlsx")


@router.get("/{int:build_id}/money/renewals.ics", response={200: Any, 404: Problems})
def read_renewals(request: SignedIn, build_id: int) -> Any:
    """When fees come again, and until when they can be stopped, for a calendar."""
    from core.formats.renewals_ics import renewals_ics

    build = find_build(build_id, request.user)
    told = renewals_ics(build.name, _whole(build, MoneyScope()).renewals, f"build-{build.pk}", timezone.now())
    return file_of(build, told, "text/calendar; charset=utf-8", "-renewals.ics")


@router.patch("/{int:build_id}/money/lines/{place}/{of}", response=EDIT_REPLIES)
def enter_amounts(
    request: SignedIn,
    build_id: int,
    place: Annotated[LinePlace, Path()],
    of: Annotated[LineOf, Path()],
    body: EntryChange,
) -> Any:
    """Enter what is known of the money of a line: where it stands, and of which part or plan it is."""
    return show(request, money.enter_amounts(edit_on(request, build_id, body), f"{place}/{of}", body.changes()))


@router.post("/{int:build_id}/money/lines/{place}/{of}/paid", response=EDIT_REPLIES)
def mark_paid(
    request: SignedIn,
    build_id: int,
    place: Annotated[LinePlace, Path()],
    of: Annotated[LineOf, Path()],
    body: Ticked,
) -> Any:
    """Tick a line as paid today at what counts of it, or take that back."""
    on = edit_on(request, build_id, body)
    return show(request, money.mark_paid(on, f"{place}/{of}", timezone.localdate(), paid=body.paid))


@router.post("/{int:build_id}/money/own", response=EDIT_REPLIES)
def add_own_line(request: SignedIn, build_id: int, body: NewOwnLine) -> Any:
    """Add a line of one's own."""
    return show(request, money.add_own_line(edit_on(request, build_id, body), body.name, body.category))


@router.patch("/{int:build_id}/money/own/{line_id}", response=EDIT_REPLIES)
def change_own_line(request: SignedIn, build_id: int, line_id: str, body: OwnLineChange) -> Any:
    """Change a line of one's own."""
    return show(request, money.change_own_line(edit_on(request, build_id, body), line_id, body.changes()))


@router.post("/{int:build_id}/money/own/{line_id}/drop", response=EDIT_REPLIES)
def drop_own_line(request: SignedIn, build_id: int, line_id: str, body: Change) -> Any:
    """Take a line of one's own out."""
    return show(request, money.drop_own_line(edit_on(request, build_id, body), line_id))


@router.post("/{int:build_id}/money/funding", response=EDIT_REPLIES)
def add_funding(request: SignedIn, build_id: int, body: NewFunding) -> Any:
    """Enter money that comes in to pay for it."""
    return show(request, money.add_funding(edit_on(request, build_id, body), body.name, body.amount, sold=body.sold))


@router.patch("/{int:build_id}/money/funding/{funding_id}", response=EDIT_REPLIES)
def change_funding(request: SignedIn, build_id: int, funding_id: str, body: FundingChange) -> Any:
    """Change money that comes in."""
    return show(request, money.change_funding(edit_on(request, build_id, body), funding_id, body.changes()))


@router.post("/{int:build_id}/money/funding/{funding_id}/drop", response=EDIT_REPLIES)
def drop_funding(request: SignedIn, build_id: int, funding_id: str, body: Change) -> Any:
    """Money that does not come in after all."""
    return show(request, money.drop_funding(edit_on(request, build_id, body), funding_id))


@router.patch("/{int:build_id}/money/running", response=EDIT_REPLIES)
def say_running(request: SignedIn, build_id: int, body: RunningChange) -> Any:
    """Say what electricity and a hired bay cost, and how many balls are struck in an hour."""
    return show(request, money.say_running(edit_on(request, build_id, body), body.changes()))


@router.patch("/{int:build_id}/money/resale/{category}", response=EDIT_REPLIES)
def say_resale(request: SignedIn, build_id: int, category: Category, body: ResaleChange) -> Any:
    """Say what things of a category sell for; empty is as the trade has it."""
    return show(request, money.say_resale(edit_on(request, build_id, body), category, body.changes()))


def _whole(build: StoredBuild, scope: MoneyScope) -> WholeMoney:
    judged, categories = build.judged, frozenset(scope.categories) or USUAL_SCOPE
    today, seen_at = timezone.localdate(), _addresses(build)
    return whole_money(judged.document, judged.report, judged.sheets, categories, today, seen_at)


def _addresses(build: StoredBuild) -> dict[str, str]:
    """Where the offers that the build took were seen."""
    offers, taken = market_of(build.owner_id).offer_by_id, taken_offers(build.design.ledger).values()
    return {id: offers[id].address for id in taken if id in offers}
