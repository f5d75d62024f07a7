"""The base of everything that is kept or exchanged, and the units its numbers are in."""

from dataclasses import dataclass
from typing import Annotated, Any

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, GetJsonSchemaHandler
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema

from core.quantities import Unit

STORED_DECIMALS = 4
"""Lengths are kept to 0.1 mm: finer than a tape measure, and exact through a file and back."""


class Record(BaseModel):
    """A frozen, validated value. Fields it does not know are kept and written back, never dropped."""

    model_config = ConfigDict(frozen=True, extra="allow", allow_inf_nan=False, use_attribute_docstrings=True)


@dataclass(frozen=True)
class In:
    """Marks a number with its unit: for schemas, for reading what people type, and for telling it back."""

    unit: Unit

    def __get_pydantic_json_schema__(self, schema: CoreSchema, handler: GetJsonSchemaHandler) -> JsonSchemaValue:
        described: dict[str, Any] = handler(schema)
        described["x-unit"] = self.unit.value
        return described


def _stored(value: float) -> float:
    return round(value, STORED_DECIMALS)


Metres = Annotated[float, AfterValidator(_stored), In(Unit.METRE)]
PositiveMetres = Annotated[Metres, Field(ge=0, le=100)]
MetresPerSecond = Annotated[float, In(Unit.METRE_PER_SECOND), Field(gt=0, le=120)]
Lux = Annotated[float, In(Unit.LUX), Field(ge=0, le=100_000)]
Degrees = Annotated[float, In(Unit.DEGREE), Field(ge=-90, le=90)]
Watts = Annotated[float, In(Unit.WATT), Field(ge=0, le=50_000)]
Kilograms = Annotated[float, In(Unit.KILOGRAM), Field(ge=0, le=2_000)]
Decibels = Annotated[float, In(Unit.DECIBEL), Field(ge=0, le=120)]
LitresPerSecond = Annotated[float, In(Unit.LITRE_PER_SECOND), Field(ge=0, le=5_000)]
Amperes = Annotated[float, In(Unit.AMPERE), Field(gt=0, le=200)]
Volts = Annotated[float, In(Unit.VOLT), Field(ge=90, le=260)]
Hours = Annotated[float, In(Unit.HOUR), Field(ge=0, le=1_000_000)]
Pieces = Annotated[int, In(Unit.PIECES), Field(ge=0, le=10_000)]
MinorMoney = Annotated[int, In(Unit.MINOR_MONEY), Field(ge=0, le=10**12)]
Name = Annotated[str, Field(min_length=1, max_length=120)]
Identifier = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,79}$")]
