"""Builds made of the sample catalogue at random, by a seed: rooms, players, parts on the chain and beside it."""

import os
from functools import cache
from pathlib import Path
from random import Random
from typing import Any

from core.formats.parts_pack import read_parts_pack
from core.model.build import Build, Slot, slot_for
from core.model.chain import plans_of
from core.model.ledger import line_key
from core.model.parts import Part
from core.model.room import CeilingShape, Room
from core.model.things import Looked
from core.report.small_items import with_cheapest
from tests.core import worlds

PACKS = Path(__file__).resolve().parents[2] / "jungle" / "demo" / "parts"
FILLED = 0.85
BESIDE = 6
COURSES = ("Low Ferry", "Otter Reach", "Whin Sound", "Heron Spit", "Three Larches", "Nobody Knows It")
SEARCHED = 32 if os.environ.get("JUNGLE_SEARCH") else 1
"""Times as many builds are tried by who looks for longer."""


def seeds(count: int) -> range:
    """Seeds of as many builds as a test tries."""
    return range(count * SEARCHED)


@cache
def sample_parts() -> dict[str, Part]:
    """The sample catalogue, by id."""
    return {part.id: part for pack in sorted(PACKS.glob("*.json")) for part in read_parts_pack(pack.read_text()).parts}


@cache
def of_place(slot: Slot | None) -> tuple[Part, ...]:
    """The sample parts that hang in `slot`; those that stand beside the chain for `None`."""
    return tuple(part for part in sample_parts().values() if slot_for(part) is slot)


def random_build(seed: int) -> Build:
    """A build that somebody might come to, however little of it goes together."""
    dice = Random(seed)
    width, length, low = dice.uniform(2.8, 6.2), dice.uniform(4.5, 8.5), dice.uniform(2.3, 3.3)
    facts: dict[str, Any] = {
        "width_m": round(width, 3),
        "length_m": round(length, 3),
        "ceiling_m": round(low, 3),
        "mains_v": 230,
        "breaker_a": dice.choice((10, 16, 32)),
        "floor_base": dice.choice(("concrete", "timber")),
        "wall_foam_m": dice.choice((0.0, 0.0, 0.06)),
    }
    if dice.random() < 0.4:
        facts["ceiling_shape"] = dice.choice([shape.value for shape in CeilingShape if shape is not CeilingShape.FLAT])
        facts["ridge_m"] = round(low + dice.uniform(0.2, 1.2), 3)
    if dice.random() < 0.3:
        facts["joists"] = {"along": dice.random() < 0.5, "first_m": 0.3, "spacing_m": dice.choice((0.4, 0.6, 1.4))}
    if dice.random() < 0.4:
        at = {"x_m": round(dice.uniform(0, width - 0.5), 3), "y_m": round(dice.uniform(0, length - 0.5), 3)}
        facts["things"] = [worlds.thing(**at, z_m=round(low - 0.3, 3), width_m=1.2, length_m=0.3).model_dump()]
    players = [
        worlds.player(
            f"P{number}",
            height_m=round(dice.uniform(1.4, 2.0), 2),
            handedness=dice.choice(("right", "right", "left")),
            longest_club=dice.choice(("driver", "driver", "7-iron")),
            speed_band=dice.choice(("junior", "recreational", "fast")),
        ).model_dump()
        for number in range(dice.randint(1, 3))
    ]
    brief = {
        "players": players,
        "visitors": dice.random() < 0.2,
        "stage": dice.choice(("net", "tablet", "projected", "projected", "projected")),
        "purposes": {purpose: dice.randint(0, 5) for purpose in ("full_rounds", "putting", "films", "filming")},
        "hours_a_week": dice.choice((1, 4, 8)),
        "noise": dice.choice(("any", "damped", "quiet")),
        "skills": dice.choice(((), ("timber",), ("sewing", "ceiling"))),
    }
    layout = {
        "ball_x_m": round(dice.uniform(0.8, width - 0.8), 3),
        "ball_y_m": round(dice.uniform(2.4, max(2.5, length - 1.2)), 3),
        "screen_y_m": round(dice.uniform(0.2, 0.6), 3),
        "monitor_pad_m": dice.choice((0.0, 0.0, 0.03)),
    }
    chain = {}
    for slot in Slot:
        if dice.random() < FILLED:
            part = dice.choice(of_place(slot))
            plans = plans_of(part)
            chain[slot] = {"part": part.id, "plan": dice.choice(plans).id if plans else None}
    extras = [
        {"id": f"extra-{number}", "part": part.id, "quantity": dice.choice((1, 1, 2))}
        for number, part in enumerate(dice.sample(of_place(None), dice.randint(0, BESIDE)))
    ]
    brief["courses_wanted"] = _wished(seed)
    layout |= _placed(seed, width, length, low)
    extras += _further_layers(seed, width, length)
    extras += _further_licensed(seed)
    return Build.model_validate(
        {"name": f"Random {seed}", "room": worlds.room(**facts).model_dump(), "brief": brief, "layout": layout}
        | {"chain": chain, "extras": extras}
    )


def _wished(seed: int) -> tuple[str, ...]:
    """Courses that somebody wishes for, in a third of the builds; now and then one that there is not."""
    later = Random(f"wishes {seed}")
    return tuple(later.sample(COURSES, later.randint(1, 3))) if later.random() < 0.35 else ()


def _further_licensed(seed: int) -> list[dict[str, Any]]:
    """Further software and monitors beside the chain, mostly under a plan."""
    later = Random(f"further {seed}")
    found = []
    for slot, odds in ((Slot.TITLE, 0.35), (Slot.MONITOR, 0.15)):
        if later.random() < odds:
            part = later.choice(of_place(slot))
            plans = plans_of(part)
            plan = later.choice(plans).id if plans and later.random() < 0.85 else None
            found.append({"id": f"further-{slot}", "part": part.id, "plan": plan})
    return found


def _further_layers(seed: int, width: float, length: float) -> list[dict[str, Any]]:
    """Coverings on zones of the floor, over what hangs on the chain."""
    later = Random(f"floor {seed}")
    return [
        {
            "id": f"layer-{number}",
            "part": later.choice(of_place(Slot.FLOOR)).id,
            "laid": True,
            "floor_x_m": round(later.uniform(0, width / 2), 2),
            "floor_y_m": round(later.uniform(0, length / 2), 2),
            "floor_width_m": round(later.uniform(0.5, width), 2),
            "floor_length_m": later.choice((None, round(later.uniform(0.5, length), 2))),
        }
        for number in range(later.choice((0, 0, 0, 1, 2)))
    ]


def _placed(seed: int, width: float, length: float, low: float) -> dict[str, Any]:
    """What somebody has put somewhere."""
    later, layout = Random(f"placed {seed}"), dict[str, Any]()
    if later.random() < 0.4:
        layout["lens_distance_m"] = round(later.uniform(0.4, length - 0.6), 3)
        layout["lens_height_m"] = round(later.uniform(1.8, low), 3)
    if later.random() < 0.4:
        layout["screen_bottom_m"] = round(later.uniform(0.05, 0.6), 3)
    if later.random() < 0.4:
        layout["monitor_distance_m"] = round(later.uniform(0.2, 2.8), 3)
    layout["mat_lies"] = later.choice((None, "let_in", "let_in", "on_top"))
    if later.random() < 0.25:
        layout["left_ball_x_m"] = round(later.uniform(0.8, width - 0.8), 3)
        layout["left_ball_y_m"] = round(later.uniform(2.4, max(2.5, length - 1.2)), 3)
    if later.random() < 0.25:
        layout["lens_x_m"] = round(later.uniform(0.5, width - 0.5), 3)
    return layout


def furnished_build(seed: int) -> Build:
    """As `random_build`, in a room with openings, sockets and something stored, for a household that has answered."""
    build, dice = random_build(seed), Random(f"furnished {seed}")
    room, width, length = build.room, build.room.width_m, build.room.length_m

    def opening(kind: str, wide: float, sill: float, high: float, **facts: Any) -> dict[str, Any]:
        wall = dice.choice(("left", "right", "rear", "screen"))
        along = round(dice.uniform(0.1, (length if wall in ("left", "right") else width) - wide - 0.1), 3)
        sizes = {"width_m": wide, "sill_m": sill, "height_m": high}
        return {"id": kind, "kind": kind, "name": kind, "wall": wall, "along_m": along, **sizes, **facts}

    window = {"opens": dice.choice(("not", "inward")), "guard": dice.choice(("nothing", "film", "net"))}
    contents = {
        "openings": [
            opening(
                "door",
                0.9,
                0.0,
                2.0,
                hinge_far=dice.random() < 0.5,
                opens=dice.choice(("inward", "outward", "tilts", "sectional", "rolls", "folds")),
            ),
            opening("window", 1.0, 0.9, 1.1, **window),
        ],
        "sockets": [
            {"id": f"socket-{n}", "name": f"socket {n}", "wall": dice.choice(("left", "right"))}
            | {"along_m": round(dice.uniform(0, length), 2), "outlets": dice.choice((1, 2, 4))}
            for n in range(dice.randint(1, 3))
        ],
        "stored": [
            worlds.stored(
                x_m=round(dice.uniform(0, width - 1.2), 2),
                y_m=round(dice.uniform(0.6, length - 2.6), 2),
                while_playing=dice.choice(("out", "stays", "out")),
            ).model_dump()
        ],
        "other_load_w": dice.choice((0, 300, 2000)),
        "light": dice.choice(("lamp_on_ball", "dim", "working", "open_door")),
    }
    answers = {
        "up_front_cap_minor": dice.randint(2_000, 15_000) * 100,
        "yearly_cap_minor": dice.randint(50, 900) * 100,
        "packed_away": dice.random() < 0.5,
        "setup_minutes": dice.choice((15, 45, 90)),
        "rented": dice.random() < 0.3,
        "may_drill": dice.choice((True, True, False)),
        "may_move": dice.random() < 0.5,
        "used_is_fine": dice.random() < 0.5,
        "looks": dice.choice(("plain", "finished")),
        "playable_by": dice.choice(("2026-12-20", "2027-03-01")),
        "build_hours_a_week": dice.choice((4, 10)),
    }
    rooms = {**room.model_dump(), **contents, **_uses(seed, width, length)}
    furnished = Build.model_validate(
        build.model_dump() | {"room": rooms, "brief": {**build.brief.model_dump(), **answers}}
    )
    decided = _decided(furnished, Random(f"decided {seed}"))
    return with_cheapest(decided, sample_parts()) if dice.random() < 0.5 else decided


def _uses(seed: int, width: float, length: float) -> dict[str, Any]:
    """Other uses of the room, each with something that it keeps clear."""
    later = Random(f"uses {seed}")
    kinds = later.sample(("films", "gym", "vehicle", "spectators"), later.choice((0, 0, 1, 2)))
    parts = ("screen", "enclosure", "projector", "monitor", "mat")
    return {
        "modes": [
            {"id": kind, "kind": kind, "name": kind, "plays": kind == "spectators"}
            | {"stays_up": later.sample(parts, later.randint(0, 3)), "out": later.choice(((), ("dinghy",)))}
            for kind in kinds
        ],
        "kept_clear": [
            {
                "id": f"zone-{number}",
                "kind": later.choice(("people", "seats", "open_floor", "way")),
                "name": f"zone {number}",
                "mode": kind,
                "x_m": round(later.uniform(0, width - 1), 2),
                "y_m": round(later.uniform(0, length - 1), 2),
                "width_m": round(later.uniform(0.5, 1.0), 2),
                "length_m": round(later.uniform(0.5, 1.0), 2),
                "height_m": later.choice((1.3, 2.0)),
            }
            for number, kind in enumerate(kind for kind in kinds for _ in range(later.randint(0, 2)))
        ],
    }


def _lamp(dice: Random, room: Room) -> dict[str, Any]:
    """A lamp under the eaves, of which somebody may have said whether it is on."""
    at = {"x_m": round(dice.uniform(0, room.width_m - 0.3), 3), "y_m": round(dice.uniform(0, room.length_m - 0.3), 3)}
    sizes = {"z_m": round(room.ceiling_m - 0.1, 3), "width_m": 0.3, "length_m": 0.3, "height_m": 0.1}
    known = {"lit": dice.choice((None, True, False)), "lumens": dice.choice((None, 400, 3000))}
    return {"id": "pendant", "kind": "lamp", "name": "pendant", "fixed_to": "ceiling", **at, **sizes, **known}


def _decided(build: Build, dice: Random) -> Build:
    """`build` of people who know their mind: stages, tax, what is owned, quoted and tested, how they swing."""
    earlier = ("net", "tablet")[: ("net", "tablet", "projected").index(build.brief.stage)]
    reclaimed = dice.random() < 0.2
    answers = {
        "earlier_stages": [stage for stage in earlier if dice.random() < 0.4],
        "tax_share": dice.choice((0.0, 0.0, 0.19)),
        "tax_treatment": "reclaimed" if reclaimed else "paid",
        "valuation": dice.choice(("cash", "cash", "newcomer")),
        "approach": dice.choice(("buy_once", "start_small")),
        "subscriptions": dice.choice(("fine", "rather_not", "never", None)),
        "horizon_years": dice.choice((1, 5, 10)),
        "contingency_share": dice.choice((0.0, 0.1, 0.25)),
        "other_uses": dice.choice(((), ("car",), ("gym", "boxes"))),
        "conditions": [
            {"id": f"c-{n}", "text": f"asked {n}", "met": dice.random() < 0.5} for n in range(dice.randint(0, 2))
        ],
    }
    players = [
        player.model_dump()
        | {"early_release": dice.random() < 0.2, "measured_ball_speed_m_s": dice.choice((None, None, 52.0, 78.0))}
        | {
            "measured_reaches": [
                {
                    "club": dice.choice(player.longest_club.and_shorter()),
                    "height_m": round(player.height_m * dice.uniform(1.4, 1.6), 2),
                    "back_m": dice.choice((None, round(player.height_m * dice.uniform(0.9, 1.1), 2))),
                    "behind_m": dice.choice((None, round(player.height_m * dice.uniform(0.7, 0.9), 2))),
                }
            ]
            if dice.random() < 0.3
            else []
        }
        for player in build.brief.players
    ]
    chain = {
        slot: hung.model_dump()
        | {
            "owned": dice.random() < 0.15,
            "quote_minor": dice.choice((None, None, None, dice.randint(50, 2_000) * 100)),
            "signal": dice.choice((None, "good", "weak")) if slot is Slot.MONITOR else None,
            "bounce_m": dice.choice((None, 0.4, 1.5)) if slot is Slot.SCREEN else None,
        }
        for slot, hung in build.chain.items()
    }
    quotes = {line_key(slot, decided["part"]): decided.pop("quote_minor") for slot, decided in chain.items()}
    brief = {**build.brief.model_dump(), **answers, "players": players}
    layout = build.layout.model_dump()
    if dice.random() < 0.3:
        layout["screen_x_m"] = round(dice.uniform(1.2, build.room.width_m - 1.2), 3)
    room = build.room.model_dump()
    if dice.random() < 0.4:
        room |= {"light": None, "wall_colour": dice.choice((None, "dark", "mid", "white"))}
    room["things"] = [*room["things"], *(_lamp(dice, build.room) for _ in range(dice.choice((0, 0, 1))))]
    room["openings"] = [each | {"cover": dice.choice((None, "nothing", "blackout"))} for each in room["openings"]]
    room["none_of"] = [what for what in Looked if dice.random() < 0.8]
    ledger = {"entries": {key: _entry(dice, quote) for key, quote in quotes.items()}}
    told = {"brief": brief, "chain": chain, "layout": layout, "room": room, "ledger": ledger}
    return Build.model_validate(build.model_dump() | told)


def _entry(dice: Random, quote_minor: int | None) -> dict[str, Any]:
    """What is known of the money of a line: often nothing."""
    entry: dict[str, Any] = {"quote_minor": quote_minor}
    if dice.random() < 0.2:
        low, likely, high = sorted(dice.choices(range(200_000), k=3))
        entry |= {"low_minor": low, "likely_minor": likely, "high_minor": high}
    if dice.random() < 0.1:
        entry["paid_minor"] = dice.randint(0, 200_000)
    return entry | {
        "came_as": dice.choice(("gift", "barter", "lent sample")) if dice.random() < 0.1 else None,
        "later": dice.random() < 0.05,
    }
