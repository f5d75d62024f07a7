"""What each answer of the brief steers. Nothing is asked that steers nothing: a test holds every row to that."""

from core.checks import GRAPH

QUESTIONS = "open questions"
COSTS = "every sum of money"
WORKS = "what has to be done, and by whom"
PLACES = "which places of the chain must be filled"
STAGES = "the subtotal of each stage"
HITTING = "where to hit from"

STEERS: dict[str, tuple[str, ...]] = {
    "purposes": (
        "title.courses",
        "title.features",
        "monitor.data",
        "monitor.putting",
        "monitor.slow_balls",
        "picture.sharpness",
        "floor.putting",
        "floor.putting_strip",
        "room.filming",
        "sound.speaker",
        PLACES,
    ),
    "players": ("swing.ceiling", "monitor.hands", "screen.rating", "screen.sides", "air.fresh", HITTING),
    "visitors": ("screen.rating", "monitor.hands", PLACES),
    "stage": ("screen.stage", "display.stage", PLACES),
    "earlier_stages": (STAGES,),
    "currency": (COSTS,),
    "up_front_cap_minor": ("money.up_front",),
    "yearly_cap_minor": ("money.yearly",),
    "horizon_years": (COSTS, "display.light_source"),
    "contingency_share": ("money.up_front",),
    "tax_share": (COSTS,),
    "tax_treatment": (COSTS,),
    "valuation": ("money.up_front",),
    "exchange_rates": (COSTS,),
    "may_drill": ("display.drilling", "monitor.drilling"),
    "subscriptions": ("title.subscription", "monitor.subscription"),
    "used_is_fine": ("money.up_front",),
    "approach": ("machine.spec",),
    "other_uses": (QUESTIONS,),
    "conditions": (QUESTIONS,),
    "packed_away": ("layout.setup_time", "monitor.portable"),
    "setup_minutes": ("layout.setup_time",),
    "rented": ("money.movable", "display.drilling", "monitor.drilling"),
    "may_move": ("money.movable",),
    "noise": ("screen.noise", "noise.devices"),
    "looks": (PLACES,),
    "hours_a_week": ("display.light_source", "mat.cushion"),
    "playable_by": ("time.playable",),
    "build_hours_a_week": ("time.playable",),
    "skills": (WORKS, "time.playable"),
}
"""By field of the brief: ids of checks, or what else changes, in words."""


def steers() -> dict[str, list[str]]:
    """`STEERS` with checks by their titles."""
    titles = {check.id: check.title for check in GRAPH.checks}
    return {field: [titles.get(what, what) for what in steered] for field, steered in STEERS.items()}
