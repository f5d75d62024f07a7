"""Figures as JSON: value, unit, and text in the reader's own system."""

from dataclasses import dataclass

from core.quantities import Figure, Money, Quantity, Sentence, UnitSystem, figure_text


@dataclass(frozen=True, slots=True)
class FigureJson:
    """A figure: `value` in SI units, minor units of money, or nothing for a word; `text` for the reader."""

    value: float | None
    unit: str
    text: str


def figure_json(figure: Figure, system: UnitSystem) -> FigureJson:
    """`figure` for a reader of `system`."""
    text = figure_text(figure, system)
    if isinstance(figure, Quantity):
        return FigureJson(value=figure.value, unit=figure.unit.value, text=text)
    if isinstance(figure, Money):
        return FigureJson(value=figure.minor, unit=figure.currency, text=text)
    return FigureJson(value=None, unit="", text=text)


def maybe_figure_json(figure: Figure | None, system: UnitSystem) -> FigureJson | None:
    """`figure` for a reader of `system`, or nothing."""
    return None if figure is None else figure_json(figure, system)


def text_of(figure: Figure | None, system: UnitSystem) -> str:
    """The text of `figure`, empty for none."""
    return "" if figure is None else figure_text(figure, system)


def signed_money_json(money: Money) -> FigureJson:
    """A change of money: its sign always shows."""
    sign = "+" if money.minor > 0 else ""
    return FigureJson(value=money.minor, unit=money.currency, text=sign + money.text() if money.minor else "±0")


def texts_of(sentences: tuple[Sentence, ...], system: UnitSystem) -> list[str]:
    """The texts of `sentences`."""
    return [sentence.text(system) for sentence in sentences]
