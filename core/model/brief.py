"""The brief: what the build is for, who plays, and what it may cost."""

from datetime import date
from decimal import Decimal
from enum import StrEnum
from typing import Annotated, Literal, Self

from pydantic import AfterValidator, Field, model_validator

from core.model.clubs import Club
from core.model.household import Approach, Condition, Looks, Noise, Skill, Subscriptions, TaxTreatment, Valuation
from core.model.reaches import MeasuredReach
from core.model.record import (
    Currency,
    Identifier,
    In,
    Label,
    Metres,
    MetresPerSecond,
    MinorMoney,
    Name,
    Number,
    Record,
    Several,
    Whole,
)
from core.model.things import StoredKind
from core.quantities import Money, Unit


class Purpose(StrEnum):
    """What people want to do in the bay."""

    SWING_WORK = "swing_work"
    FULL_ROUNDS = "full_rounds"
    PUTTING = "putting"
    CLUB_TESTING = "club_testing"
    FAMILY_GAMES = "family_games"
    COACHING = "coaching"
    FILMING = "filming"
    FILMS = "films"

    @property
    def words(self) -> str:
        """As a sentence says it."""
        return self.value.replace("_", " ")


class Stage(StrEnum):
    """How far the build goes: a screen and a projector are optional."""

    NET = "net"
    TABLET = "tablet"
    PROJECTED = "projected"


class Handedness(StrEnum):
    """A right-hander stands on the left of the ball, facing the target; a left-hander on the right."""

    RIGHT = "right"
    LEFT = "left"


class SpeedBand(StrEnum):
    """Driver ball speed where nobody has measured it (trade)."""

    JUNIOR = "junior"
    RECREATIONAL = "recreational"
    FAST = "fast"

    @property
    def ball_speed_m_s(self) -> float:
        """The band's driver ball speed in metres a second."""
        return {SpeedBand.JUNIOR: 40.0, SpeedBand.RECREATIONAL: 60.0, SpeedBand.FAST: 76.0}[self]


class Player(Record):
    """Somebody who will swing here."""

    id: Identifier
    name: Name
    height_m: Annotated[Metres, Field(ge=0.9, le=2.3)]
    handedness: Handedness = Handedness.RIGHT
    longest_club: Club = Club.DRIVER
    speed_band: SpeedBand = SpeedBand.RECREATIONAL
    measured_ball_speed_m_s: MetresPerSecond | None = None
    """Driver ball speed as measured; stands before the band."""
    early_release: bool = False
    """The wrists unhinge early, which makes the swing wider and higher."""
    measured_reaches: Annotated[tuple[MeasuredReach, ...], Field(max_length=len(Club))] = ()

    def measured_reach(self, club: Club) -> MeasuredReach | None:
        """What the test swing with `club` showed, if one was made."""
        return next((reach for reach in self.measured_reaches if reach.club is club), None)

    @property
    def ball_speed_m_s(self) -> float:
        """Ball speed off the longest club that they swing, by the driver's as measured or that of the band, in m/s."""
        return (self.measured_ball_speed_m_s or self.speed_band.ball_speed_m_s) * self.longest_club.speed_share


MUST = 5
"""The weight of what the build is for: a part that cannot do it is ruled out."""


def each_once(names: tuple[str, ...]) -> tuple[str, ...]:
    """Each name as it was written first, whatever letters it was written in again.

    >>> each_once(("Old Quarry", "Low Ferry", "old quarry"))
    ('Old Quarry', 'Low Ferry')
    """
    first: dict[str, str] = {}
    for name in names:
        first.setdefault(name.casefold(), name)
    return tuple(first.values())


class ExchangeRate(Record):
    """How many units of the brief's currency one unit of `currency` costs, and the day it was read."""

    currency: Currency
    rate: Annotated[Decimal, Field(ge=Decimal("0.000001"), le=1_000_000, max_digits=18)]
    dated: Label = ""


class Brief(Record):
    """Written down before anything is shopped for; every later choice is tested against it."""

    purposes: dict[Purpose, Annotated[Whole, Field(ge=0, le=5)]] = {Purpose.FULL_ROUNDS: 3, Purpose.SWING_WORK: 3}
    """Weight of each purpose, 0 to 5, where 5 is a must; what is not listed weighs nothing."""
    players: Annotated[tuple[Player, ...], Field(max_length=24)] = ()
    stage: Stage = Stage.PROJECTED
    measures_shots: bool = True
    """Somebody wants to know how the ball flew; without that no launch monitor is asked for, at any stage."""
    currency: Currency = "EUR"
    up_front_cap_minor: MinorMoney | None = None
    yearly_cap_minor: MinorMoney | None = None
    horizon_years: Annotated[Whole, Field(ge=1, le=30)] = 5
    contingency_share: Annotated[Number, In(Unit.SHARE), Field(ge=0, le=1)] = 0.1
    tax_share: Annotated[Number, In(Unit.SHARE), Field(ge=0, le=1)] = 0.0
    """Added to prices that say they come without tax."""
    outlet_minor: MinorMoney | None = None
    """What a licensed electrician asks for one more outlet, in the brief's currency."""
    exchange_rates: Annotated[tuple[ExchangeRate, ...], Field(max_length=20)] = ()
    exchange_fee_share: Annotated[Number, In(Unit.SHARE), Field(ge=0, le=0.2)] = 0.0
    """What the card or the bank takes on top of the rate for another currency."""
    fee_rise_share: Annotated[Number, In(Unit.SHARE), Field(ge=0, le=0.5)] = 0.0
    """By how much fees are taken to rise each year, where a plan does not say."""
    may_drill: bool | None = True
    """Whether walls and ceiling may be drilled into; often not in a rented home. `None` until it has been asked."""
    subscriptions: Subscriptions | None = Subscriptions.FINE
    """What the household thinks of fees that come again; `None` while it has not made up its mind."""
    visitors: bool = False
    """People of unknown skill and either hand swing here too: the widest dispersion and the fastest ball count."""
    earlier_stages: Several[Stage] = ()
    """Stages that are gone through, and paid for, before `stage`."""
    tax_treatment: TaxTreatment = TaxTreatment.PAID
    valuation: Valuation = Valuation.CASH
    used_is_fine: bool = False
    approach: Approach = Approach.BUY_ONCE
    other_uses: Several[StoredKind] = ()
    """What the space must also hold; each asks where it stands."""
    courses_wanted: Annotated[Several[Name], AfterValidator(each_once)] = ()
    """Courses that somebody wishes to play, by name; one that is named twice is there once."""
    conditions: Annotated[tuple[Condition, ...], Field(max_length=40)] = ()
    """What the household asks for before money is spent."""
    packed_away: bool = False
    """The bay comes down after play."""
    setup_minutes: Annotated[Number, In(Unit.MINUTE), Field(ge=0, le=480)] | None = None
    """Longest set-up that the household accepts."""
    measured_setup_minutes: Annotated[Number, In(Unit.MINUTE), Field(ge=0, le=480)] | None = None
    """What setting up took when it was tried."""
    lines_wanted: Literal[1080, 2160] | None = None
    """Lines that the picture shall have, where somebody cares."""
    rented: bool = False
    may_move: bool = False
    """The household may move house."""
    noise: Noise = Noise.ANY
    looks: Looks = Looks.PLAIN
    hours_a_week: Annotated[Number, In(Unit.HOUR), Field(ge=0, le=168)] | None = None
    playable_by: date | None = None
    build_hours_a_week: Annotated[Number, In(Unit.HOUR), Field(ge=1, le=100)] | None = None
    skills: Several[Skill] = ()

    @model_validator(mode="after")
    def _distinct_players(self) -> Self:
        ids = [player.id for player in self.players]
        if len(ids) != len(set(ids)):
            raise ValueError("two players share an id; every player needs an id of their own")
        return self

    def weight(self, purpose: Purpose) -> int:
        """How much `purpose` weighs, 0 to 5."""
        return self.purposes.get(purpose, 0)

    def must(self, purpose: Purpose) -> bool:
        """The build is for `purpose`: what cannot do it will not do."""
        return self.weight(purpose) >= MUST

    @property
    def up_front_cap(self) -> Money | None:
        """What may be spent before the first ball is struck."""
        return None if self.up_front_cap_minor is None else Money(self.up_front_cap_minor, self.currency)

    @property
    def yearly_cap(self) -> Money | None:
        """What it may cost each year."""
        return None if self.yearly_cap_minor is None else Money(self.yearly_cap_minor, self.currency)
