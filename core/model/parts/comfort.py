"""Light, sound, warmth and air."""

from typing import Annotated, Literal

from pydantic import Field

from core.model.parts.base import Device
from core.model.record import Decibels, In, LitresPerSecond, Number, Watts
from core.quantities import Unit


class Lamp(Device):
    """A lamp."""

    kind: Literal["lamp"] = "lamp"
    lights: Literal["ball", "room", "screen"] | None = None
    """What it shines on: one that reaches the screen greys the picture."""
    lumens: Annotated[Number, In(Unit.LUMEN), Field(gt=0, le=100_000)] | None = None
    """Its brightness."""
    flickers: bool | None = None
    """Its light pulses with the mains, which cameras see."""


class Speaker(Device):
    """A speaker for the bay."""

    kind: Literal["speaker"] = "speaker"
    output_w: Watts | None = None
    """Power of its sound."""
    wireless: bool | None = None
    """Takes its sound through the air; otherwise it wants a cable."""


class Heater(Device):
    """A heater."""

    kind: Literal["heater"] = "heater"
    method: Literal["fan", "radiant", "oil", "fuel"] | None = None
    """How it heats: fans move air, fuel burns it."""
    heat_w: Watts | None = None
    """Heat that it gives."""
    made_for_indoors: bool | None = None
    """A fuel heater that its maker allows in a closed room with ventilation."""
    noise_db: Decibels | None = None
    """How loud it is, a metre away."""


class Ventilation(Device):
    """A fan that brings fresh air in or used air out."""

    kind: Literal["ventilation"] = "ventilation"
    airflow_l_s: LitresPerSecond | None = None
    """Air that it moves."""
    noise_db: Decibels | None = None
    """How loud it is, a metre away."""


class Cooler(Device):
    """A device that cools the room."""

    kind: Literal["cooler"] = "cooler"
    cools_w: Watts | None = None
    """Heat that it carries out of the room."""
    hose: bool | None = None
    """Its warm air leaves by a hose, through a window or door that opens."""
    noise_db: Decibels | None = None
    """How loud it is, a metre away."""


class CarbonMonoxideAlarm(Device):
    """An alarm for carbon monoxide."""

    kind: Literal["co_alarm"] = "co_alarm"
