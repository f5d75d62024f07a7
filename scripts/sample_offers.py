"""python -m scripts.sample_offers: write the sample world's shops and what they offer, the same from one seed."""

from datetime import date, timedelta
from pathlib import Path
from random import Random
from typing import Any

from core.formats.offers_csv import offers_csv
from core.formats.parts_pack import read_parts_pack
from core.formats.shops_file import ShopsFile, write_shops_file
from core.model.parts import Part
from core.model.parts.base import Weighed

DEMO = Path(__file__).resolve().parents[1] / "jungle" / "demo"
SEED = 14
DAY = date(2026, 11, 28)
"""The day on which the sample offers were seen; loading the sample world moves them to its own day."""
EUROS_FOR_A_DOLLAR = 0.92

ABROAD = "overfen-imports"
USED = "turnagain"
SHOPS: list[dict[str, Any]] = [
    {
        "id": "larkmoor", "name": "Larkmoor Home Golf", "country": "Home",
        "delivery": [{"fee_minor": 890}, {"fee_minor": 0, "from_minor": 250_00}], "bulky_minor": 39_00,
        "return_days": 30, "returns_paid": True,
    },
    {
        "id": "codling-pike", "name": "Codling Pike", "country": "Home",
        "delivery": [{"fee_minor": 690}], "bulky_minor": 29_00,
        "codes": [
            {"code": "FIRSTBAY", "share": 0.1, "new_only": True},
            {"code": "WINTER", "share": 0.05, "least_spend_minor": 200_00},
            {"code": "TWENTYOFF", "off_minor": 20_00, "least_spend_minor": 300_00},
        ],
        "codes_at_once": 1, "return_days": 14, "returns_paid": False,
    },
    {
        "id": "pairwell", "name": "Pairwell Rooms", "country": "Home",
        "delivery": [{"fee_minor": 1290}, {"fee_minor": 490, "from_minor": 400_00}],
        "bundles": [
            {"name": "Bay and screen", "members": ["tentmoor-bay-28", "tentmoor-square-27"], "saving_minor": 90_00},
            {"name": "Mat on tiles", "members": ["greywold-softfair", "cobbleden-rubber-40"], "saving_minor": 45_00},
        ],
        "codes": [{"code": "ROOMY", "share": 0.04}], "return_days": 21,
    },
    {
        "id": "slatebrook", "name": "Slatebrook", "country": "Home",
        "delivery": [{"fee_minor": 990}, {"fee_minor": 0, "from_minor": 500_00}], "may_collect": False,
        "rebates": [
            {"name": "Autumn money back", "share": 0.05, "least_spend_minor": 600_00, "claim_days": 60},
        ],
        "return_days": 14,
    },
    {
        "id": ABROAD, "name": "Overfen Imports", "country": "Overfen", "currency": "USD", "tax_included": False,
        "delivery": [
            {"fee_minor": 1900, "most_kg": 5}, {"fee_minor": 4900, "most_kg": 15}, {"fee_minor": 12900},
        ],
        "codes": [{"code": "OVERSEA", "share": 0.08}, {"code": "HELLO", "share": 0.05}],
        "return_days": 30, "returns_paid": False,
    },
    {
        "id": USED, "name": "Turnagain", "country": "Home",
        "delivery": [{"fee_minor": 1490}], "bulky_minor": 25_00, "return_days": 7, "returns_paid": False,
    },
]  # fmt: skip
SHARE_OFFERED = {"larkmoor": 0.62, "codling-pike": 0.53, "pairwell": 0.48, "slatebrook": 0.42, ABROAD: 0.64, USED: 0.34}


def sample_market() -> ShopsFile:
    """Six shops and some six hundred offers of the sample parts."""
    dice = Random(SEED)
    packs = (read_parts_pack(file.read_bytes()) for file in sorted((DEMO / "parts").glob("*.json")))
    parts = [part for pack in packs for part in pack.parts if part.price and part.price.minor]
    offers = [
        offer
        for shop in SHOPS
        for part in parts
        if _is_offered(shop, part, dice)
        for offer in _offers(shop, part, dice)
    ]
    return ShopsFile.model_validate({"shops": SHOPS, "offers": offers})


def _is_offered(shop: dict[str, Any], part: Part, dice: Random) -> bool:
    if shop["id"] != USED and part.name.endswith(("(used)", "(refurbished)")):
        return False
    bundled = any(part.id in bundle["members"] for bundle in shop.get("bundles", ()))
    if shop["id"] == ABROAD and isinstance(part, Weighed) and part.weight_kg is None:
        return False
    return bool(bundled or dice.random() < SHARE_OFFERED[shop["id"]])


def _offers(shop: dict[str, Any], part: Part, dice: Random) -> list[dict[str, Any]]:
    assert part.price is not None
    kinds = [dice.choice(("used", "ex-display", "refurbished"))] if shop["id"] == USED else ["new"]
    return [_offer(shop, part, sold_as, dice) for sold_as in kinds]


def _offer(shop: dict[str, Any], part: Part, sold_as: str, dice: Random) -> dict[str, Any]:
    assert part.price is not None
    factor = dice.uniform(0.92, 1.06) * (1.0 if sold_as == "new" else dice.uniform(0.5, 0.8))
    abroad = shop["id"] == ABROAD
    if abroad:
        factor *= dice.uniform(0.7, 0.95) / EUROS_FOR_A_DOLLAR
    minor = _as_shops_ask(part.price.minor * factor)
    on_sale = dice.random() < 0.15
    facts: dict[str, Any] = {
        "id": f"{shop['id']}-{part.id}"[:80],
        "shop": shop["id"],
        "part": part.id,
        "price": {"minor": minor, "currency": shop.get("currency", "EUR"), "tax_included": not abroad},
        "sold_as": sold_as,
        "seen": DAY - timedelta(days=dice.randint(0, 40)),
        "address": f"{shop['name']}, shelf {dice.randint(1, 40)}",
    }
    if on_sale:
        facts["regular_minor"] = _as_shops_ask(minor * dice.uniform(1.08, 1.3))
    if dice.random() < 0.85:
        facts["lead_days"] = dice.choice((0, 0, 1, 2, 3, 5, 10)) + (12 if abroad else 0)
    if dice.random() < 0.6:
        facts["warranty_months"] = 24 if sold_as == "new" else dice.choice((0, 3, 12))
    if on_sale or dice.random() < 0.2:
        facts["good_until"] = DAY + timedelta(days=dice.randint(10, 90))
    return facts


def _as_shops_ask(minor: float) -> int:
    """Whole units over a hundred, and something and ninety below."""
    return round(minor / 100) * 100 if minor >= 100_00 else max(90, round(minor / 100) * 100 - 10)


if __name__ == "__main__":
    made = sample_market()
    (DEMO / "shops.json").write_text(write_shops_file(ShopsFile(shops=made.shops)))
    (DEMO / "offers.csv").write_text(offers_csv(made.offers), newline="")
