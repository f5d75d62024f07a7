"""Setting watches, looking at what they wait for, and telling once that they came there."""

from collections.abc import Callable, Iterable, Sequence
from datetime import timedelta
from typing import NamedTuple

from django.contrib.auth.models import User
from django.db import transaction
from django.db.models import Count, F, Q
from django.utils import timezone

from core.model.build import Slot
from core.model.facts import MissingFact
from core.model.parts import Part
from core.model.typed import FieldErrors
from core.model.watch import Watch, WatchKind, crosses
from core.money.amounts import buyer_of
from core.money.costs import Costs
from core.money.order import Need
from core.money.shopping import needs_of
from core.quantities import Money, UnitSystem
from core.report.evaluation_of import known_costs
from core.report.watched import (
    WatchedBuild,
    WatchedFigure,
    effect,
    fee_figure,
    line_figure,
    place_figure,
    total_figure,
)
from jungle.builds.models import StoredBuild, UnreadableBuild
from jungle.builds.services.editing import find_build
from jungle.catalogue.models import Entry
from jungle.market.terms import market_of
from jungle.watching.models import Alert, StoredWatch

MOST_WATCHES = 100
AT_REST_S = 10
"""Whoever changes one thing changes the next soon."""
Best = Callable[[WatchedBuild, Sequence[Need]], Money | None]
"""What some lines come to in the best basket, where there is one: it takes a solver, which a worker loads."""


class NoSuchWatch(LookupError):
    """There is no such watch, or no such alert."""


class _Looked(NamedTuple):
    """A build as watches look at it."""

    owner_id: int
    there: WatchedBuild
    costs: Costs
    needs: Sequence[Need]


def set_watch(actor: User, build_id: int, watch: Watch) -> StoredWatch:
    """Wait for something; one that waits for the same already waits for this from now on, and keeps what it told.

    Raises `FieldErrors` for what the build has not.
    """
    build = find_build(build_id, actor)
    looked = _looked(actor, build)
    label = _label(watch, looked)
    if watch.currency != looked.there.buyer.currency:
        raise FieldErrors([("currency", watch.currency, looked.there.buyer.currency)])
    with transaction.atomic():
        for same in build.watches.all():
            if (same.watch.kind, same.watch.subject) == (watch.kind, watch.subject):
                same.document, same.under = watch.model_dump_json(), False
                same.figure_minor, same.words, same.looked_at = None, "", None
                same.save(update_fields=["document", "under", "figure_minor", "words", "looked_at"])
                return same
        if StoredWatch.objects.filter(owner=actor).count() >= MOST_WATCHES:
            raise FieldErrors([("watch", label, f"at most {MOST_WATCHES} watches in all")])
        return StoredWatch.objects.create(owner=actor, build=build, document=watch.model_dump_json(), label=label[:200])


def drop_watch(actor: User, watch_id: int) -> None:
    """Wait no more. Raises `NoSuchWatch`."""
    deleted, _ = StoredWatch.objects.filter(owner=actor, pk=watch_id).delete()
    if not deleted:
        raise NoSuchWatch("There is no such watch.")


def watches_of(actor: User, build_id: int) -> list[StoredWatch]:
    """The watches on a build."""
    return list(find_build(build_id, actor).watches.all())


def alerts_of(actor: User, build_id: int) -> list[Alert]:
    """What watches on a build told and nobody has put away, the newest first."""
    build = find_build(build_id, actor)
    return list(Alert.objects.filter(watch__build=build, seen=False).select_related("watch"))


def alert_counts(owner_id: int) -> dict[int, int]:
    """How many alerts nobody has put away yet, by build."""
    unseen = Alert.objects.filter(watch__owner_id=owner_id, seen=False).order_by()
    return dict(unseen.values_list("watch__build_id").annotate(Count("pk")))


def put_away(actor: User, alert_id: int) -> None:
    """An alert was read. Raises `NoSuchWatch`."""
    if not Alert.objects.filter(watch__owner=actor, pk=alert_id).update(seen=True):
        raise NoSuchWatch("There is no such alert.")


def look_at_watches(owner_id: int, best: Best) -> list[Alert]:
    """Look at everything that an owner waits for; answers what came to its target since it was looked at last."""
    told: list[Alert] = []
    stored = StoredWatch.objects.filter(owner_id=owner_id, build__deleted_at=None)
    for build in StoredBuild.objects.visible_to(owner_id).filter(watches__in=stored).distinct():
        try:
            looked = _looked(build.owner, build)
        except (UnreadableBuild, MissingFact) as refusal:
            facts = {"figure_minor": None, "words": str(refusal)[:300], "looked_at": timezone.now()}
            stored.filter(build=build).update(**facts)
            continue
        for one in stored.filter(build=build):
            told += _look(one, looked, best)
    return told


def owners_to_look_for() -> list[int]:
    """Whose builds or shops were changed since what they wait for was looked at, and have been at rest since."""
    before = timezone.now() - timedelta(seconds=AT_REST_S)
    stored = StoredWatch.objects.filter(build__deleted_at=None, build__changed_at__lt=before)
    changed = (
        Q(looked_at=None)
        | Q(build__changed_at__gt=F("looked_at"))
        | Q(owner__market__changed_at__gt=F("looked_at"), owner__market__changed_at__lt=before)
    )
    return list(stored.filter(changed).order_by().values_list("owner_id", flat=True).distinct())


def _looked(actor: User, build: StoredBuild) -> _Looked:
    """Raises `UnreadableBuild`."""
    judged, today = build.judged, timezone.localdate()
    design = judged.document
    there = WatchedBuild(design, judged.sheets, market_of(actor.pk), buyer_of(design.brief, today), today)
    costs = known_costs(there.evaluation)
    return _Looked(actor.pk, there, costs, needs_of(costs.lines, judged.sheets))


def _label(watch: Watch, looked: _Looked) -> str:
    """What is watched, in words. Raises `FieldErrors` for what the build has not."""
    if watch.kind is WatchKind.TOTAL:
        return "The whole build, delivered"
    if watch.kind is WatchKind.PLACE:
        if watch.subject not in [slot.value for slot in Slot]:
            raise FieldErrors([("subject", watch.subject, ", ".join(Slot))])
        return f"Whatever serves as {Slot(watch.subject).value}"
    lines = {line.key: line.label for line in looked.costs.lines if line.is_fee is (watch.kind is WatchKind.FEE)}
    if watch.subject not in lines:
        raise FieldErrors([("subject", watch.subject, ", ".join(lines) or "a line that this build has")])
    return lines[watch.subject]


def _look(stored: StoredWatch, looked: _Looked, best: Best) -> list[Alert]:
    """One watch: how it stands is stored with the alert that follows from it, or neither."""
    watch = stored.watch
    found = _figure(watch, looked, best)
    minor = found.amount.minor if found.amount and found.amount.currency == watch.currency else None
    under, crossed = crosses(stored.under, minor, watch.target_minor)
    words = found.words.text(UnitSystem.METRIC)[:300]
    with transaction.atomic():
        # Whoever looks at the same moment has told it, or will.
        as_it_was = StoredWatch.objects.filter(pk=stored.pk, crossings=stored.crossings, under=stored.under)
        updated = as_it_was.update(
            under=under,
            crossings=stored.crossings + crossed,
            figure_minor=minor,
            words=words,
            looked_at=timezone.now(),
        )
        if not updated or not crossed or minor is None:
            return []
        alert = Alert.objects.create(
            watch=stored,
            crossing=stored.crossings + 1,
            currency=watch.currency,
            target_minor=watch.target_minor,
            minor=minor,
            before_minor=stored.figure_minor,
            words=words,
            effect=effect(looked.costs, found.then).text(UnitSystem.METRIC)[:300] if found.then else "",
        )
    return [alert]


def _figure(watch: Watch, looked: _Looked, best: Best) -> WatchedFigure:
    owner_id, there, costs, needs = looked
    if watch.kind is WatchKind.LINE:
        return line_figure(watch, there, needs)
    if watch.kind is WatchKind.PLACE:
        return place_figure(watch, there, _candidates(owner_id, there, watch))
    if watch.kind is WatchKind.FEE:
        return fee_figure(watch, costs)
    return total_figure(there, costs, needs, lambda some: best(there, some))


def _candidates(owner_id: int, there: WatchedBuild, watch: Watch) -> Iterable[Part]:
    """Parts of the owner's catalogue for the place that somebody offers."""
    owned = Entry.objects.visible_to(owner_id).of_slots(watch.subject)
    offered = [part for part in owned.digests() if there.market.offers_by_part.get(part)]
    return owned.named(*offered).sheets().values()
