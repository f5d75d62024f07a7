"""The base of everything that is kept or exchanged, and the units its numbers are in."""

from dataclasses import dataclass
from typing import Annotated, Any, TypeVar

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, GetJsonSchemaHandler, StringConstraints
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema

from core.model.text import one_line
from core.quantities import Unit
from core.quantities.money import DECIMALS_BY_CURRENCY
from core.quantities.tolerances import STORED_DECIMALS


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


def _known_currency(code: str) -> str:
    if code not in DECIMALS_BY_CURRENCY:
        raise ValueError(f"currency '{code}' is not known; accepted: {', '.join(DECIMALS_BY_CURRENCY)}")
    return code


T = TypeVar("T")
MOST_OF_A_LIST = 60
Several = Annotated[tuple[T, ...], Field(max_length=MOST_OF_A_LIST)]
"""A list as a sheet or a brief holds it."""

# Numbers are strict: `true` is no length, and neither is a text that happens to look like one.
Number = Annotated[float, Field(strict=True)]
Whole = Annotated[int, Field(strict=True)]
Metres = Annotated[Number, AfterValidator(_stored), In(Unit.METRE), Field(ge=-100, le=100)]
"""Any length or place."""
PositiveMetres = Annotated[Metres, Field(ge=0)]
SizeMetres = Annotated[Metres, Field(gt=0)]
"""The size of something that is there."""
RunMetres = Annotated[Number, AfterValidator(_stored), In(Unit.METRE), Field(gt=0, le=5_000)]
"""The length of what is wound up: tape and thread."""
MetresPerSecond = Annotated[Number, In(Unit.METRE_PER_SECOND), Field(gt=0, le=120)]
Lux = Annotated[Number, In(Unit.LUX), Field(ge=0, le=100_000)]
Degrees = Annotated[Number, In(Unit.DEGREE), Field(ge=-90, le=90)]
Watts = Annotated[Number, In(Unit.WATT), Field(ge=0, le=50_000)]
Kilograms = Annotated[Number, In(Unit.KILOGRAM), Field(ge=0, le=2_000)]
Decibels = Annotated[Number, In(Unit.DECIBEL), Field(ge=0, le=120)]
LitresPerSecond = Annotated[Number, In(Unit.LITRE_PER_SECOND), Field(ge=0, le=5_000)]
Amperes = Annotated[Number, In(Unit.AMPERE), Field(gt=0, le=200)]
Volts = Annotated[Number, In(Unit.VOLT), Field(ge=90, le=260)]
Hours = Annotated[Number, In(Unit.HOUR), Field(ge=0, le=1_000_000)]
Pieces = Annotated[Whole, In(Unit.PIECES), Field(ge=0, le=10_000)]
MinorMoney = Annotated[Whole, In(Unit.MINOR_MONEY), Field(ge=0, le=10**12)]
FineMoney = Annotated[Number, In(Unit.FINE_MONEY), Field(ge=0, le=10**8)]
"""In minor units, hundredths of them included."""
Name = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120), AfterValidator(one_line)]
Word = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=40), AfterValidator(one_line)]
Note = Annotated[str, Field(max_length=500), AfterValidator(one_line)]
Label = Annotated[str, Field(max_length=120), AfterValidator(one_line)]
"""As a name, but may be empty."""
Currency = Annotated[str, AfterValidator(_known_currency)]
Identifier = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,79}$")]
