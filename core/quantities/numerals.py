"""Digits as people write them: what stands between thousands, what before decimals, and what may be either."""

import re
from itertools import product
from typing import NamedTuple

_SPACES = re.compile(r"(?<=\d)[\u0020\u00a0\u2009\u202f](?=\d{3}(?!\d))")
"""A space between thousands, of any width."""
_BETWEEN, _POINTS = "',.", ".,"


class Numeral(NamedTuple):
    """What digits say as they are printed here: a point before decimals, a comma between thousands."""

    value: float
    otherwise: float | None = None
    """What they may mean to others, for whom a comma is before decimals; `None` where they can mean but one thing."""


def read_numeral(text: str) -> Numeral | None:
    """The number in `text`, which has no sign and no unit; `None` for what is no number.

    A point is before decimals wherever it can be. One comma before three digits may be either.

    >>> read_numeral("1,250").value, read_numeral("1,250").otherwise
    (1250.0, 1.25)
    >>> [read_numeral(text).value for text in ("1 250,5", "1.250.000", "1'250", "12,5", "0,125")]
    [1250.5, 1250000.0, 1250.0, 12.5, 0.125]
    """
    digits = _SPACES.sub("'", text.replace("\N{RIGHT SINGLE QUOTATION MARK}", "'"))
    plain = float(digits.replace(",", ".")) if re.fullmatch(r"\d+(?:[.,]\d+)?|[.,]\d+", digits) else None
    grouped = next(
        (
            float(digits.replace(between, "").replace(point, "."))
            for between, point in product(_BETWEEN, _POINTS)
            if between != point and re.fullmatch(_with_thousands(between, point), digits)
        ),
        None,
    )
    if plain is None:
        return None if grouped is None else Numeral(grouped)
    return Numeral(plain) if grouped is None or "," not in digits else Numeral(grouped, plain)


def _with_thousands(between: str, point: str) -> str:
    return rf"[1-9]\d{{0,2}}(?:{re.escape(between)}\d{{3}})+(?:{re.escape(point)}\d+)?"
