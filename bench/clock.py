"""Times taken while the machine runs at its full clock, on machines whose clock falls and rises from minute to minute.

A short piece of work that is always the same is timed before and after what is measured. Where it took about as long
as when it is quick, the clock was full.
"""

import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass

SPIN = 3_000
CALIBRATED = 400
"""Times before anything is measured."""
NEARLY_FULL = 1.15
"""Times as long as when it is quick."""
MOST_TRIES = 2
"""Times as many repeats as are wanted; after that, what there is must do."""
FEWEST = 5
"""Times at the full clock that make a figure."""


def seconds(work: Callable[[], object]) -> float:
    """How long `work` takes."""
    begun = time.perf_counter()
    work()
    return time.perf_counter() - begun


def _spin() -> None:
    """Makes, keeps and looks up small values, as the core does."""
    kept: dict[tuple[int, int], tuple[int, int]] = {}
    for number in range(SPIN):
        key = number % 97, number % 89
        kept[key] = kept.get(key, (0, 0))[1], number


class Clock:
    """The speed of this machine, as far as it has shown."""

    def __init__(self) -> None:
        self._took_s = [seconds(_spin) for _ in range(CALIBRATED)]

    def spun(self) -> float:
        """How much longer the same work takes now than when it is quick, which one in twenty times is."""
        self._took_s.append(seconds(_spin))
        return self._took_s[-1] / statistics.quantiles(self._took_s, n=20)[0]


@dataclass(frozen=True)
class Times:
    """What some work took, in seconds, and at how many of all repeats the clock was full."""

    taken: tuple[float, ...]
    full: int
    repeats: int

    @property
    def median_ms(self) -> float:
        """As many took less as took more."""
        return statistics.median(self.taken) * 1000

    @property
    def p95_ms(self) -> float:
        """One in twenty took longer."""
        return statistics.quantiles(self.taken, n=20)[-1] * 1000 if len(self.taken) > 1 else self.taken[0] * 1000

    @property
    def note(self) -> str:
        """Marks a figure that the full clock has no part in: it is of all repeats."""
        return "" if self.full >= FEWEST else " †"


CLOCK = Clock()


def times_of(work: Callable[[int], object], wanted: int, prepare: Callable[[], object] = lambda: None) -> Times:
    """`wanted` times of `work`, which is told the number of the repeat, at the full clock; all, where it never was so.

    What is done to `prepare` each of them is not counted.
    """
    at_full: list[float] = []
    every: list[float] = []
    while len(at_full) < wanted and len(every) < MOST_TRIES * wanted:
        number = len(every)
        prepare()
        before = CLOCK.spun()
        took_s = seconds(lambda number=number: work(number))  # type: ignore[misc]
        after = CLOCK.spun()
        every.append(took_s)
        if max(before, after) <= NEARLY_FULL:
            at_full.append(took_s)
    enough = len(at_full) >= FEWEST
    return Times(tuple(at_full if enough else every), len(at_full), len(every))
