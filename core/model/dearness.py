"""Parts in the order of what they cost by their sheets."""

from core.model.parts import Part


def dearness(part: Part, currency: str) -> tuple[int, int, str]:
    """The cheapest first; amounts in another currency than the brief's are not compared with those in it."""
    if part.price is None or part.price.currency != currency:
        return 1, 0, part.id
    return 0, part.price.minor, part.id
