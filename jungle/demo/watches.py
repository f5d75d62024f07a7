"""Watches of the sample world: two that have come to their targets, and two that have not."""

from fractions import Fraction

from django.contrib.auth.models import User
from django.utils import timezone

from core.model.build import Slot
from core.model.watch import Watch, WatchKind
from core.money.amounts import buyer_of
from core.report.shopping import offers_for
from jungle.builds.models import StoredBuild
from jungle.builds.services.shopping import shopping_for
from jungle.watching.models import StoredWatch
from jungle.watching.watches import set_watch

WATCHED = "Boat shed by the lake"
SHARES = {Slot.MAT.value: Fraction(11, 10), Slot.FLOOR.value: Fraction(3, 4)}
"""Targets as shares of what is asked today, by place: one above it is crossed at the first look, one below is not."""


def adopt_sample_watches(actor: User) -> None:
    """Watch the mat and the floor, whatever serves as a monitor, and the whole of one build, where nothing ever was."""
    build = StoredBuild.objects.visible_to(actor.pk).filter(name=WATCHED).first()
    if build is None or StoredWatch.objects.filter(owner=actor).exists():
        return
    design = build.design
    shopping = shopping_for(actor, design, build.judged.sheets)
    currency = buyer_of(design.brief, timezone.localdate()).currency

    def watch(kind: WatchKind, subject: str, target_minor: int) -> None:
        set_watch(actor, build.pk, Watch(kind=kind, subject=subject, target_minor=target_minor, currency=currency))

    for need in shopping.needs:
        share = SHARES.get(need.line.split("/")[0])
        offered = next((one.order for one in offers_for(need, shopping.market, shopping.buyer) if one.order), None)
        if share is not None and offered is not None:
            watch(WatchKind.LINE, need.line, int(offered.total.minor * share))
    watch(WatchKind.PLACE, Slot.MONITOR.value, 2_000_00)
    watch(WatchKind.TOTAL, "", 6_000_00)
