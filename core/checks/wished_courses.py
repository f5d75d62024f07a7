"""The wish list of courses: which come with the plan, which in packs, and which are bought one by one."""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum
from typing import Annotated

from core.checks.figures import in_a_row, stated_input
from core.checks.further import TitlesHeard
from core.checks.limits import State, Words
from core.checks.places import on
from core.checks.register import check, derive
from core.checks.verdict import Answer
from core.model.brief import MUST, Brief, Purpose
from core.model.build import Slot
from core.model.facts import Missing, MissingFact, known
from core.model.kit import Beside
from core.model.parts import CoursePack, Price, Title, TitlePlan
from core.quantities import say


class Had(StrEnum):
    """How a course is had."""

    WITH_THE_PLAN = "with the plan"
    IN_A_PACK = "in a pack"
    ONE_BY_ONE = "one by one"
    NOT_AT_ALL = "not at all"
    NOT_KNOWN = "not known"


@dataclass(frozen=True)
class WishedCourse:
    """One course on the wish list."""

    name: str
    had: Had
    by: str = ""
    """The plan or pack that brings it."""
    title: str = ""
    """Of one that is bought by itself: the id of the software that it is for."""
    title_name: str = ""
    price: Price | None = None
    """Of one that is bought by itself."""
    missing: Missing | None = None
    """Of one of which it is not known: what nobody says."""


@dataclass(frozen=True)
class WishedCourses:
    """The wish list, under the plans that are chosen for software."""

    each: tuple[WishedCourse, ...]

    def had(self, how: Had) -> tuple[str, ...]:
        """The names of those that are had so."""
        return tuple(wished.name for wished in self.each if wished.had is how)


@derive
def wished_courses(
    brief: Annotated[Brief, "courses_wanted"],
    title: Annotated[Title, "id", "name"],
    plan: Annotated[TitlePlan, "course_names", "course_price", "courses_sold_singly", "name"],
    packs: Annotated[Beside[CoursePack], "course_names", "name", "titles"],
    further: TitlesHeard | None,
) -> WishedCourses | None:
    """`None` where nobody wishes for any. A list that nobody has typed leaves open whether a course is in it; what the
    build costs is known all the same.

    Further software is looked through after the one on the chain, for what is held and then for what is sold singly.
    """
    if not brief.courses_wanted:
        return None
    held = ((title, plan), *((other, own) for other, own in (further.each if further else ())))
    titles = {other.id for other, _ in held}
    own_packs = [pack for pack in packs if titles.intersection(pack.titles or ())]

    def found(name: str) -> WishedCourse:
        had = _with_a_plan(name, held, title) or _in_a_pack(name, own_packs) or _one_by_one(name, held)
        return had or _not_had(name, held, own_packs)

    return WishedCourses(tuple(found(name) for name in brief.courses_wanted))


def _with_a_plan(name: str, held: Iterable[tuple[Title, TitlePlan]], main: Title) -> WishedCourse | None:
    having = ((other, own) for other, own in held if _named(name, own.course_names))
    words = (own.name if other is main else f"{own.name} of {other.name}" for other, own in having)
    return next((WishedCourse(name, Had.WITH_THE_PLAN, by) for by in words), None)


def _in_a_pack(name: str, packs: Iterable[CoursePack]) -> WishedCourse | None:
    having = (pack.name for pack in packs if _named(name, pack.course_names))
    return next((WishedCourse(name, Had.IN_A_PACK, by) for by in having), None)


def _one_by_one(name: str, held: Iterable[tuple[Title, TitlePlan]]) -> WishedCourse | None:
    selling = ((other, own) for other, own in held if _named(name, own.courses_sold_singly) and own.course_price)
    sold = (
        WishedCourse(name, Had.ONE_BY_ONE, title=other.id, title_name=other.name, price=own.course_price)
        for other, own in selling
    )
    return next(sold, None)


@check("title.wished_courses", title="Courses on the wish list", place=on(Slot.TITLE))
def wish_list(
    brief: Annotated[Brief, "purposes"],
    title: Annotated[Title, "id", "name"],
    plan: Annotated[TitlePlan, "name"],
    wished: WishedCourses,
) -> Answer:
    """Every course that somebody wishes for comes with the plan or a pack, or is sold by itself, as makers tell it.

    One that is not to be had is tight: a wish rules no software out, unless whole rounds are a must and not one of them
    can be played. Those sold by themselves are lines of the money.
    """
    not_known = next((course.missing for course in wished.each if course.missing), None)
    if not_known is not None:
        raise MissingFact(*not_known)
    gone, singly = wished.had(Had.NOT_AT_ALL), wished.had(Had.ONE_BY_ONE)
    count = len(wished.each)
    none_of_a_must = len(gone) == count and brief.purposes.get(Purpose.FULL_ROUNDS, 0) >= MUST
    if gone:
        words = "{names} is not among the courses of {title}" if len(gone) == 1 else "{names} are no courses of {title}"
        headline = say(words, names=in_a_row(gone), title=title.name)
    elif singly:
        headline = say("{names} bought by themselves", names=in_a_row(singly))
    else:
        headline = say("Plan {plan} and what stands beside it have all that is wished for", plan=plan.name)
    return Answer(
        Words(
            State.BLOCKED if none_of_a_must else State.TIGHT if gone else State.CLEAR,
            f"{count - len(gone)} of {count} courses",
            "all courses on the wish list",
        ),
        headline=lambda: headline,
        formula="courses on the wish list, among those of plan and packs and those that are sold by themselves",
        inputs=lambda: tuple(
            stated_input(course.name, f"{course.had.value}{f' {course.by}' if course.by else ''}")
            for course in wished.each
        ),
        cures=lambda: (say("Choose a plan or a pack that has them, other software, or wish for others."),),
    )


def _not_had(name: str, held: Iterable[tuple[Title, TitlePlan]], packs: Iterable[CoursePack]) -> WishedCourse:
    try:
        for title, plan in held:
            known(plan, "course_names", title)
        for pack in packs:
            known(pack, "course_names")
    except MissingFact as fact:
        return WishedCourse(name, Had.NOT_KNOWN, missing=fact.missing)
    return WishedCourse(name, Had.NOT_AT_ALL)


def _named(name: str, names: tuple[str, ...] | None) -> bool:
    return name.casefold() in {each.casefold() for each in names or ()}
