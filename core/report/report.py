"""The report: what every screen and the shell show of a build."""

from dataclasses import dataclass

from core.checks.bag import Bag
from core.checks.evaluation import Evaluation
from core.checks.length_budget import LengthBudget
from core.checks.limits import State
from core.checks.places import Step
from core.checks.spots import HittingSpot
from core.checks.stages import StageCost
from core.checks.verdict import Told, Verdict
from core.checks.works import Work
from core.drawing import Scene
from core.model.build import Slot
from core.model.facts import NOWHERE, FactAt
from core.model.things import BayPart
from core.money.costs import Costs
from core.quantities import Money, Sentence
from core.report.leanings import Leaning
from core.report.small_items import SmallStatus


@dataclass(frozen=True)
class OpenQuestion:
    """Something that is not known or not chosen yet, where it is answered, and how."""

    step: Step
    question: Sentence
    how: Sentence
    slot: Slot | None = None
    at: FactAt = NOWHERE
    """Where it is entered, if it is a fact of a record."""


@dataclass(frozen=True)
class SlotStatus:
    """A place on the chain: worst state of its own verdicts, `None` while nothing hangs there; what it costs."""

    slot: Slot
    optional: bool
    state: State | None
    costs: tuple[Money, Money] | None
    """Up front and each year; `None` while an amount is not known."""


@dataclass(frozen=True)
class LinkStatus:
    """Between two parts: worst state, and the verdict that could break it; `None` while an end is empty."""

    upper: Slot
    lower: Slot
    state: State | None
    deciding: Verdict | None


@dataclass(frozen=True)
class Report:
    """Everything the core says of a build."""

    evaluation: Evaluation
    """What it is made of."""
    slots: tuple[SlotStatus, ...]
    links: tuple[LinkStatus, ...]
    scene: Scene
    stowed: Scene | None
    """The drawing while the room serves for something else; `None` where it must hold nothing."""
    costs: Costs
    questions: tuple[OpenQuestion, ...]
    hitting: tuple[HittingSpot, ...]
    length: LengthBudget | None
    """How the length of the room is shared out; `None` while nobody plays."""
    up_for_good: tuple[BayPart, ...]
    """What of the bay nobody takes down while the room serves for something else."""
    assumed: tuple[Sentence, ...]
    """What nobody has chosen or said yet, and is taken to be as usual."""
    bags: tuple[Bag, ...]
    """What each player may swing where the ball lies; none while the room does not say."""
    stages: tuple[StageCost, ...]
    works: tuple[Work, ...]
    small: tuple[SmallStatus, ...]
    leanings: tuple[Leaning, ...]
    """What is old or disputed about the facts of the parts that are there."""

    @property
    def verdicts(self) -> tuple[Verdict, ...]:
        """Checks in order of id, players in their own order."""
        return self.evaluation.verdicts

    def told(self, verdict: Verdict) -> Told:
        """One of the verdicts in words."""
        return self.evaluation.told(verdict)

    @property
    def attention(self) -> tuple[Verdict, ...]:
        """The verdicts that are not clear, what shall be looked at first in front."""
        return tuple(sorted((v for v in self.verdicts if v.state is not State.CLEAR), key=lambda v: -v.state.rank))

    @property
    def state(self) -> State:
        """The worst of all verdicts; at least unknown while a question is open."""
        asked = [State.UNKNOWN] if self.questions else []
        return max([State.CLEAR, *asked, *(v.state for v in self.verdicts)], key=lambda state: state.rank)

    @property
    def blocked(self) -> bool:
        """Something rules the build out as it stands."""
        return any(verdict.state is State.BLOCKED for verdict in self.verdicts)
