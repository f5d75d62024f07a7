"""A sentence whose figures stay figures until somebody reads it in their own units."""

from typing import NamedTuple

from core.quantities.quantity import Figure, figure_text
from core.quantities.units import UnitSystem

_new = tuple.__new__
"""One report says hundreds of sentences: a named tuple's own constructor is most of what one costs."""


class Sentence(NamedTuple):
    """`template` with a `{name}` for every figure."""

    template: str
    figures: tuple[tuple[str, Figure], ...] = ()

    def text(self, system: UnitSystem) -> str:
        """The sentence with its figures told in `system`."""
        return self.template.format(**{name: figure_text(figure, system) for name, figure in self.figures})


def say(template: str, **figures: Figure) -> Sentence:
    """A `Sentence`; braces in the template name the figures that follow.

    >>> say("{plan} is enough", plan="the yearly plan").text(UnitSystem.METRIC)
    'the yearly plan is enough'
    """
    return _new(Sentence, (template, tuple(figures.items())))
