"""Looks that are not believed before somebody says so: far under what is usual, in other money, of another thing, in
another condition."""

import re

from core.model.parts.price import Price

FAR_UNDER = 0.5
"""No sale of new things goes under half of what is usual (trade)."""
FAR_OVER = 2.5
_WORD = re.compile(r"\w+")


def doubt_of(
    price: Price, usual: Price | None, seen_as: str = "", called: str = "", sold_as: str = "", until_now: str = ""
) -> str:
    """Why a price is held back until somebody confirms it; empty for one that is believed.

    `usual` is what the part usually costs in the same shop and condition; `None` while too little was seen of it.
    `seen_as` is what the shop calls the thing, `called` what its maker does; either may be empty.
    `sold_as` is its condition, `until_now` another one in which the shop sold it until now; empty where it is the same.
    """
    if seen_as and called and not _names_the_same(seen_as, called):
        return f"The page speaks of '{seen_as}'."
    if until_now:
        return f"It is told as {sold_as}; until now it was {until_now} under that number."
    return "" if usual is None else _unlike(price, usual)


def _unlike(price: Price, usual: Price) -> str:
    if (price.currency, price.tax_included) != (usual.currency, usual.tax_included):
        return f"It is told as {price.told}; until now it was as {usual.told}."
    if price.minor < FAR_UNDER * usual.minor:
        return f"It is {1 - price.minor / usual.minor:.0%} under what is usual there."
    if price.minor > FAR_OVER * usual.minor:
        return f"It is {price.minor / usual.minor:.1f} times what is usual there."
    return ""


def _names_the_same(seen_as: str, called: str) -> bool:
    """Every word of its own name stands in what the shop calls it, in any order and spelling."""
    return set(_WORD.findall(called.casefold())) <= set(_WORD.findall(seen_as.casefold()))
