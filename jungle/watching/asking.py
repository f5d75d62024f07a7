"""What is asked before a thing is bought, and what was answered."""

from datetime import date

from django.contrib.auth.models import User

from core.model.typed import FieldErrors
from core.report.ask_first import QUESTIONS
from jungle.builds.services.editing import find_build
from jungle.watching.models import AskedFirst

MOST_ANSWER = 500


def answer(actor: User, build_id: int, question: str, words: str, today: date) -> None:
    """Write down what was answered; an empty answer forgets it. Raises `FieldErrors`."""
    build = find_build(build_id, actor)
    if question not in QUESTIONS:
        raise FieldErrors([("question", question, ", ".join(QUESTIONS))])
    if words.strip():
        told = {"answer": words.strip()[:MOST_ANSWER], "answered_on": today}
        AskedFirst.objects.update_or_create(build=build, question=question, defaults=told)
    else:
        build.asked_first.filter(question=question).delete()


def answers_of(actor: User, build_id: int) -> dict[str, AskedFirst]:
    """What was answered so far, by question."""
    return {one.question: one for one in find_build(build_id, actor).asked_first.all()}
