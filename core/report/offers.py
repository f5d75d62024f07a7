"""What may be done about a verdict: each way is carried out and judged first, and told with what it does to the rest.

First what the check itself says would change it, then another plan, something for a small item that is still open, and
the cheapest other part that makes it better and rules nothing else out.
"""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from datetime import date

from core.checks import GRAPH
from core.checks.evaluation import Evaluation
from core.checks.floor import LandingStrip
from core.checks.limits import State
from core.checks.needs import ITEMS, SmallItems
from core.checks.spots import Spots
from core.checks.verdict import Cure, Verdict
from core.model import acts
from core.model.build import Build, Slot, slot_for
from core.model.chain import plans_of
from core.model.dearness import dearness
from core.model.facts import NOWHERE, FactAt
from core.model.parts import Flooring, Part
from core.quantities import Sentence, say
from core.report.alternatives import build_with
from core.report.consequence import Consequence, consequence, ruled_out
from core.report.evaluation_of import evaluation_of
from core.report.goes_on import goes_on_at
from core.report.small_items import bought, options_for

LANDING = "floor.landing"
MOST_TRIED = 24
"""Candidates of one place that are hung, the cheapest of them."""


@dataclass(frozen=True)
class Offer:
    """One way to change a verdict; without a build it is said only, and somebody has to do it."""

    words: Sentence
    build: Build | None = None
    state: State | None = None
    """How the verdict comes out then; `None` where it is no longer asked, or nothing is carried out."""
    does: Consequence | None = None
    at: FactAt = NOWHERE
    """Without a build: where somebody goes on."""


def offers_about(
    build: Build, parts: Mapping[str, Part], key: tuple[str, str], today: date | None = None
) -> Iterator[Offer]:
    """Everything that may be done about the verdict of `key`; nothing where there is none, or it is clear.

    `parts` are those that may be hung or bought besides what the build names.
    """
    now = evaluation_of(build, parts, today=today)
    verdict = now.by_key.get(key)
    if verdict is not None and verdict.state is not State.CLEAR:
        yield from _Offers(build, parts, verdict, now).all()


def spots_offered(build: Build, parts: Mapping[str, Part], today: date | None = None) -> Iterator[Offer]:
    """Each spot to hit from where the ball does not lie yet, in the order of `Spots`."""
    now = evaluation_of(build, parts, today=today)
    found = now.reading(Spots)
    spots = found.spots if found else ()
    for spot in spots:
        if spot.best is not None:
            after = acts.ball_put(*spot.best, spot.hands, one_for_all=len(spots) == 1)(build)
            yield Offer(spot.reason, after, None, consequence(now, evaluation_of(after, parts, before=now)))


@dataclass(frozen=True)
class _Offers:
    build: Build
    parts: Mapping[str, Part]
    verdict: Verdict
    now: Evaluation

    def all(self) -> Iterator[Offer]:
        for cure in self.now.told(self.verdict).cures:
            yield self._of_cure(cure)
        if self.verdict.state is not State.UNKNOWN:
            yield from self._plans()
            yield from self._small_items()
            yield from self._landings()
            yield from self._other_parts()

    def _of_cure(self, cure: Cure) -> Offer:
        if cure.act is None:
            return self._said(cure)
        after = cure.act(self.build)
        there = self._evaluated(after)
        if after == self.build or (cure.promise is not None and not self._keeps(cure.promise, there)):
            return self._said(cure)
        return self._offer(cure.words, after, there)

    def _said(self, cure: Cure) -> Offer:
        return Offer(cure.words, at=goes_on_at(cure, self.verdict, self.now.reading(SmallItems)))

    def _keeps(self, promise: State, there: Evaluation) -> bool:
        after = there.by_key.get(self.verdict.key)
        return after is None or after.state.rank <= promise.rank

    @property
    def _places(self) -> tuple[Slot, ...]:
        return GRAPH[self.verdict.id].place.slots

    def _plans(self) -> Iterator[Offer]:
        for slot in self._places:
            hung = self.build.chain.get(slot)
            if hung is None:
                continue
            part = self.parts[hung.part]
            for plan in plans_of(part):
                if plan.id != hung.plan:
                    words = say("Take plan {plan} of {part}.", plan=plan.name, part=part.name)
                    yield from self._if_better(words, acts.under_plan(slot, plan.id)(self.build))

    def _small_items(self) -> Iterator[Offer]:
        """The cheapest that serves, for each item that the check reads and nobody has chosen anything for."""
        small = self.now.reading(SmallItems)
        read = GRAPH.reads_of(self.verdict.id)
        for id, need in ITEMS.items():
            item = small.by_id.get(id) if small and need in read else None
            if item is None or id in self.build.small_items:
                continue
            serving = (option for option in options_for(self.build, self.parts, id) if option.serves and option.total)
            if (option := next(serving, None)) is not None:
                words = say("Choose {part}: {item}.", part=option.part.name, item=item.item.title.lower())
                yield from self._if_better(words, bought(self.build, item, option.part))

    def _other_parts(self) -> Iterator[Offer]:
        for slot in self._places:
            hung = self.build.chain.get(slot)
            if hung is None or hung.locked or hung.owned:
                continue
            others = [part for part in self.parts.values() if slot_for(part) is slot and part.id != hung.part]
            yield from self._first_better(slot, self.parts[hung.part], self._cheapest(others))

    def _landings(self) -> Iterator[Offer]:
        """Something soft on a zone of its own, where balls come down on a hard floor."""
        before = self.now.reading(LandingStrip)
        if self.verdict.id != LANDING or before is None:
            return
        soft = [part for part in self.parts.values() if isinstance(part, Flooring) and part.soft]
        for part in self._cheapest(soft):
            words = say("Lay {part} before the screen, on a zone of its own.", part=part.name)
            offers = list(self._if_better(words, acts.laid_on(part.id, before.strip)(self.build)))
            if offers:
                yield from offers
                return

    def _cheapest(self, parts: Iterable[Part]) -> list[Part]:
        return sorted(parts, key=lambda part: dearness(part, self.build.brief.currency))[:MOST_TRIED]

    def _first_better(self, slot: Slot, hanging: Part, others: Iterable[Part]) -> Iterator[Offer]:
        """The cheapest with which the verdict is clear; else the cheapest with which it is better."""
        second: list[Offer] = []
        for other in others:
            after = build_with(self.build, self.parts, slot, other, self.now)
            words = say("Choose {other} in place of {part}.", other=other.name, part=hanging.name)
            for offer in self._if_better(words, after):
                if offer.state in (None, State.CLEAR):
                    yield offer
                    return
                second.append(offer)
        yield from second[:1]

    def _if_better(self, words: Sentence, after: Build) -> Iterator[Offer]:
        """What makes the verdict better, and rules nothing else out."""
        there = self._evaluated(after)
        verdict = there.by_key.get(self.verdict.key)
        better = verdict is None or verdict.state.rank < self.verdict.state.rank
        if better and not (verdict and verdict.state is State.UNKNOWN) and not ruled_out(there, self.now):
            yield self._offer(words, after, there)

    def _offer(self, words: Sentence, after: Build, there: Evaluation) -> Offer:
        verdict = there.by_key.get(self.verdict.key)
        return Offer(words, after, verdict.state if verdict else None, consequence(self.now, there))

    def _evaluated(self, after: Build) -> Evaluation:
        return evaluation_of(after, self.parts, before=self.now)
