"""Lengths, light, money and the sentences that carry them: read from text, kept in SI, told in either system."""

from core.quantities.length import LengthError, format_length, parse_length
from core.quantities.money import CurrencyMismatch, Money
from core.quantities.quantity import Figure, Quantity, figure_text
from core.quantities.sentence import Sentence, say
from core.quantities.units import Unit, UnitSystem

__all__ = [
    "CurrencyMismatch",
    "Figure",
    "LengthError",
    "Money",
    "Quantity",
    "Sentence",
    "Unit",
    "UnitSystem",
    "figure_text",
    "format_length",
    "parse_length",
    "say",
]
