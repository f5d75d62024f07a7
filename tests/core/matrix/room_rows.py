"""The room, the swings in it, power, light, air and noise."""

from core.model.parts import Net, ProjectionSheet
from tests.core import worlds
from tests.core.matrix.case import (
    WIDE_DOOR,
    WINDOW,
    Case,
    blocked,
    clear,
    extra,
    mode,
    net_before,
    pendant,
    post,
    stove,
    tight,
    unknown,
    zone,
)

ADA = {"subject": "Ada"}
RADIATOR = {"id": "radiator", "kind": "radiator", "name": "radiator", "x_m": 0.0, "y_m": 6.0, "z_m": 0.1} | {
    "width_m": 0.12,
    "length_m": 0.9,
    "height_m": 0.6,
    "fixed_to": "wall",
}
BACK_DOOR = worlds.door(
    name="wide door", wall="rear", along_m=0.0, width_m=2.4, height_m=2.2, opens="outward", sill_m=0.0
)
SOCKET = {"id": "socket", "name": "socket", "wall": "left", "along_m": 3.5}
WORKSHOP = {"id": "workshop", "name": "workshop", "breaker_a": 16, "other_load_w": 2600}
SHEET = ProjectionSheet(id="sheet", maker="Maker", name="Sheet", width_m=2.6, height_m=2.5)
NET = Net(id="net", maker="Maker", name="Net", width_m=2.6, height_m=2.5)


def car(**places: float) -> dict[str, object]:
    """On the left, from a metre off the screen wall on, while people play."""
    sizes = {"x_m": 0.0, "y_m": 1.0, "width_m": 1.0, "length_m": 2.0, "height_m": 1.5, **places}
    return worlds.stored(id="car", kind="car", name="car", while_playing="stays", **sizes).model_dump()


def crate(width_m: float, **facts: object) -> dict[str, object]:
    """Boxes at the left wall, beside the enclosure."""
    return worlds.stored(width_m=width_m, y_m=0.5, length_m=0.8, **facts).model_dump()


def beam(z_m: float) -> tuple[dict[str, object], ...]:
    """A beam across the room over the ball, from `z_m` to the ceiling."""
    return (worlds.thing(y_m=3.45, z_m=z_m, height_m=round(3.0 - z_m, 3)).model_dump(),)


ROWS: dict[str, list[Case]] = {
    "room.gap_behind_screen": [
        clear("400 mm | 300 mm | 100 mm", "0.4 is comfortable"),
        tight("350 mm | 300 mm | 50 mm", "0.35", layout__screen_y_m=0.35),
        blocked("250 mm | 300 mm | −50 mm", "0.25 without foam", layout__screen_y_m=0.25),
        clear("400 mm | 250 mm | 150 mm", "the net gives 0.25, and 0.35 is comfortable", swap=[NET], net__gives_m=0.25),
        blocked("400 mm | 500 mm | −100 mm", "the net gives 0.5", swap=[NET], net__gives_m=0.5),
        clear(
            "50 mm | 0 mm | 50 mm",
            "a sheet behind a net may hang at the wall",
            swap=[SHEET],
            beside=[net_before()],
            layout__screen_y_m=0.05,
        ),
        unknown("The way that it gives of Net", swap=[NET]),
    ],
    "room.ball_to_screen": [
        clear("3.10 m | 2.40 m | 700 mm", "3.5 − 0.4"),
        tight("2.60 m | 2.40 m | 200 mm", "3.0 − 0.4", layout__ball_y_m=3.0),
        blocked("1.60 m | 2.40 m | −800 mm", "2.0 − 0.4", layout__ball_y_m=2.0),
        clear("3.10 m | 2.00 m | 1.10 m", "before a net that asks for 2.0", swap=[NET], net__stand_off_m=2.0),
        tight("3.10 m | 2.20 m | 900 mm", "2.2, and 3.3 is comfortable", swap=[NET], net__stand_off_m=2.2),
        tight(
            "3.10 m | 2.30 m | 800 mm",
            "2.0 to the net, which gives 0.3 before the sheet; 3.3 is comfortable",
            swap=[SHEET],
            beside=[net_before()],
        ),
        unknown("The distance to stand off of Net", swap=[NET]),
    ],
    "room.behind_ball": [
        clear("3.50 m | 2.104 m | 1.396 m", "0.36 × 1.80 + 1.156 + 0.30"),
        tight("2.20 m | 2.104 m | 96 mm", "7.0 − 4.8, under 0.15", layout__ball_y_m=4.8),
        blocked("2.00 m | 2.104 m | −104 mm", "7.0 − 5.0", layout__ball_y_m=5.0),
        unknown("Who will swing here", brief__players=()),
    ],
    "room.free_side": [
        clear("2.30 m | 900 mm | 1.40 m", "4.6 − 2.3", **ADA),
        tight("1.00 m | 900 mm | 100 mm", "4.6 − 3.6, under 0.15", layout__ball_x_m=3.6, **ADA),
        blocked("600 mm | 900 mm | −300 mm", "4.6 − 4.0", layout__ball_x_m=4.0, **ADA),
        clear("1.40 m | 900 mm | 500 mm", "4.0 deep, so inside: half of 2.8", enclosure__depth_m=4.0, **ADA),
        unknown("The depth of Box", enclosure__depth_m=None, **ADA),
    ],
    "room.picture_offset": [
        clear("0 mm | 1.30 m | 1.30 m", "centred"),
        tight("700 mm | 1.30 m | 600 mm", "3.0 − 2.3, half the picture is 1.3", layout__ball_x_m=3.0),
        blocked("1.70 m | 1.30 m | −400 mm", "4.0 − 2.3 is past its edge", layout__ball_x_m=4.0),
        unknown("The border of Square", screen__border_m=None),
    ],
    "room.filming": [
        clear("2.30 m | 2.00 m | 300 mm", "2.3 to either wall"),
        tight("1.60 m | 2.00 m | 400 mm short, tolerated", "4.6 − 3.0 before Ada", layout__ball_x_m=3.0),
        blocked(
            "1.60 m | 2.00 m | −400 mm",
            "the same, and filming is a must",
            layout__ball_x_m=3.0,
            brief__purposes={"filming": 5},
        ),
        unknown("Who will swing here", brief__players=()),
    ],
    "room.glass": [
        unknown("Which windows and doors the room has", room__openings=()),
        clear("none | none | –", "only behind the golfer", room__openings=(WINDOW,)),
        clear(
            "none | none | –",
            "behind the screen, with a net before it",
            room__openings=({**WINDOW, "wall": "screen", "guard": "net"},),
        ),
        tight("window | none | –", "in the left wall, before the ball, behind film"),
        blocked(
            "pane | none | –",
            "behind the screen, and bare",
            room__openings=({**WINDOW, "wall": "screen", "guard": "nothing"},),
        ),
        unknown("What guards pane", room__openings=({**WINDOW, "wall": "screen"},)),
    ],
    "swing.ceiling": [
        clear("292 mm | 0 mm | 292 mm", "3.0 − 0.04 of mat; the apex of the disc is 2.668", **ADA),
        tight("42 mm | 0 mm | 42 mm", "2.75 − 0.04", room__ceiling_m=2.75, room__things=(), **ADA),
        blocked("−208 mm | 0 mm | −208 mm", "2.5 − 0.04", room__ceiling_m=2.5, room__things=(), **ADA),
        unknown(
            "The height of the ceiling's highest point", room__ceiling_shape="ridge_along", room__ridge_m=None, **ADA
        ),
    ],
    "swing.longest_club": [
        clear("292 mm | 0 mm | 292 mm", "3.0 less 0.04 − 2.668", **ADA),
        tight(
            "82 mm | 0 mm | 82 mm",
            "2.79 less 0.04 − 2.668",
            room__ceiling_m=2.79,
            room__things=(),
            **ADA,
        ),
        tight(
            "not looked through | a room looked through | –",
            "292 mm to spare, if nothing hangs there that nobody entered",
            room__things=(),
            room__none_of=(),
            **ADA,
        ),
        blocked(
            "−468 mm | 0 mm | −468 mm",
            "2.24 less 0.04 − 2.668",
            room__ceiling_m=2.24,
            room__things=(),
            **ADA,
        ),
        unknown(
            "The height of the ceiling's highest point", room__ceiling_shape="ridge_along", room__ridge_m=None, **ADA
        ),
    ],
    "swing.side_walls": [
        clear("520 mm | 0 mm | 520 mm", "2.3 − 1.78, furthest of the disc behind Ada", **ADA),
        tight("20 mm | 0 mm | 20 mm", "half a metre further left", layout__ball_x_m=1.8, **ADA),
        blocked("−280 mm | 0 mm | −280 mm", "0.8 further left", layout__ball_x_m=1.5, **ADA),
        unknown("The thickness of Strip", mat__thickness_m=None, **ADA),
    ],
    "swing.rear_wall": [
        clear("1.999 m | 0 mm | 1.999 m", "3.5 − 1.501", **ADA),
        tight("99 mm | 0 mm | 99 mm", "1.6 − 1.501", layout__ball_y_m=5.4, **ADA),
        blocked("−201 mm | 0 mm | −201 mm", "1.3 − 1.501", layout__ball_y_m=5.7, **ADA),
        unknown("The thickness of Strip", mat__thickness_m=None, **ADA),
    ],
    "swing.things": [
        unknown("What stands or hangs in the room", room__things=(), room__none_of=(), **ADA),
        clear("1.943 m | 0 mm | 1.943 m", "the beam is behind, at 6.6", **ADA),
        tight(
            "92 mm | 0 mm | 92 mm", "a beam over the ball from 2.8: 2.8 − 0.04 − 2.668", room__things=beam(2.8), **ADA
        ),
        blocked(
            "−248 mm | 0 mm | −248 mm",
            "from 2.5: 0.208 too high, 0.208 / sin 57° along the plane of the swing",
            room__things=beam(2.5),
            **ADA,
        ),
        tight(
            "not looked through | a room looked through | –",
            "1.943 m to the beam, if no door opens into the swing that nobody entered",
            room__openings=(),
            room__none_of=(),
            **ADA,
        ),
        unknown("The thickness of Strip", mat__thickness_m=None, **ADA),
    ],
    "layout.playing": [
        clear("nothing in the way | nothing in the way | –", "the dinghy is out"),
        blocked(
            "900 mm | 0 mm | −900 mm",
            "the dinghy stays where Ada stands, 0.9 along the target line",
            room__stored=(worlds.stored(x_m=0.8, while_playing="stays").model_dump(),),
        ),
        tight(
            "30 mm | 0 mm | 30 mm",
            "the enclosure's side from 2.3 − 1.45 − 0.30 of bulge = 0.55, a crate to 0.52",
            room__stored=(crate(0.52, while_playing="stays"),),
        ),
        tight(
            "dinghy through wide door | between the walls | –",
            "its stern is 0.5 m beyond the rear wall, in a door that it fits through",
            room__stored=(worlds.stored(x_m=0.0, y_m=4.8, length_m=2.7, while_playing="stays").model_dump(),),
            room__openings=(BACK_DOOR,),
        ),
        blocked(
            "500 mm | 0 mm | −500 mm",
            "the same without a door there",
            room__stored=(worlds.stored(x_m=0.0, y_m=4.8, length_m=2.7, while_playing="stays").model_dump(),),
            room__openings=(),
        ),
        unknown("The width of Square", screen__width_m=None),
    ],
    "layout.stowed": [
        clear(
            "nothing in the way | nothing in the way | –",
            "a short boat beside the door",
            room__stored=(worlds.stored(x_m=2.5, y_m=2.0, length_m=3.0).model_dump(),),
            layout__stays_up=(),
        ),
        tight(
            "30 mm | 0 mm | 30 mm",
            "the enclosure's side from 2.3 − 1.45 = 0.85, a crate to 0.82",
            room__stored=(crate(0.82),),
            layout__stays_up=("enclosure",),
        ),
        blocked("500 mm | 0 mm | −500 mm", "the door swings 0.5 into the dinghy's width"),
        tight(
            "dinghy through wide door | between the walls | –",
            "the door stays open for its stern",
            room__stored=(worlds.stored(x_m=0.0, y_m=4.8, length_m=2.7).model_dump(),),
            room__openings=(BACK_DOOR,),
            layout__stays_up=(),
        ),
        unknown(
            "The outer width of Box",
            room__stored=(crate(0.5),),
            layout__stays_up=("enclosure",),
            enclosure__outer_width_m=None,
        ),
    ],
    "room.fragile": [
        clear("0.0 of 1,000 balls | at most 1 of 1,000 | –", "a car behind the ball", room__stored=(car(y_m=4.5),)),
        blocked(
            "4.7 of 1,000 balls | at most 1 of 1,000 | –",
            "a car on the left, ahead of the ball: shanks of the left-hander, 5 of 1,000, and nearly all of them",
            room__stored=(car(),),
        ),
        tight(
            "0.3 of 1,000 balls | at most 1 of 1,000 | –",
            "a low one in the corner of these ways",
            room__stored=(car(y_m=2.4, length_m=0.3, height_m=0.3, width_m=0.5),),
        ),
        unknown("The outer width of Box", room__stored=(car(y_m=4.5),), enclosure__outer_width_m=None),
    ],
    "layout.modes": [
        clear("nothing kept clear | nothing in the way | –", "a mode without zones", room__modes=(mode("gym"),)),
        blocked(
            "900 mm | 0 mm | −900 mm",
            "seats of 2.0 × 0.9 × 1.3 m where the bench stands",
            room__modes=(mode("films"),),
            room__kept_clear=(zone("seats", "films", x_m=1.3, y_m=5.5),),
            room__stored=(worlds.stored(x_m=1.2, y_m=5.4, width_m=2.2, length_m=1.1, height_m=1.5).model_dump(),),
        ),
        tight(
            "750 mm | 700 mm | 50 mm",
            "a way of 0.75 m, 0.80 is comfortable",
            room__modes=(mode("gym"),),
            room__kept_clear=(zone("way", "gym", x_m=3.8, y_m=4.0, width_m=0.75, length_m=2.0),),
        ),
        blocked(
            "600 mm | 700 mm | −100 mm",
            "a way of 0.60 m",
            room__modes=(mode("gym"),),
            room__kept_clear=(zone("way", "gym", x_m=3.9, y_m=4.0, width_m=0.6, length_m=2.0),),
        ),
        blocked(
            "−500 mm | 0 mm | −500 mm",
            "seats 0.5 m ahead of the ball at 3.5 m",
            room__modes=(mode("spectators", plays=True),),
            room__kept_clear=(zone("seats", "spectators", x_m=0.0, y_m=3.0, width_m=0.4),),
        ),
        unknown(
            "The outer width of Box",
            room__modes=(mode("films", stays_up=("enclosure",)),),
            enclosure__outer_width_m=None,
        ),
    ],
    "layout.setup_time": [
        clear("42 min | 60 min | 18 min", "screen 10, enclosure 20, monitor 3, mat 4, the dinghy 5"),
        tight("42 min | 45 min | 3 min", "3, under 5", brief__setup_minutes=45),
        clear("25 min | 45 min | 20 min", "as tried", brief__setup_minutes=45, brief__measured_setup_minutes=25),
        blocked("42 min | 30 min | −12 min", "12 too long", brief__setup_minutes=30),
        unknown("The set-up time you accept", brief__setup_minutes=None),
    ],
    "power.strips": [
        clear("no strip | none overloaded | –", "no strip"),
        clear("710 W | 3,500 W | 2,790 W", "400 + 300 + 10 on one strip", beside=[extra("power_strip", rated_w=3500)]),
        tight(
            "710 W | 1,000 W | 290 W",
            "too much for one of 500, not for both",
            beside=[extra("power_strip", "One", rated_w=500), extra("power_strip", "Two", rated_w=500)],
        ),
        blocked("710 W | 600 W | −110 W", "one strip of 600", beside=[extra("power_strip", rated_w=600)]),
        unknown("The rated load of power_strip", beside=[extra("power_strip")]),
    ],
    "projector.joist": [
        unknown("How the joists of the ceiling run", room__joists=None, room__none_of=()),
        clear(
            "0 mm | 100 mm | 100 mm",
            "joists at 0.5, 1.1, 1.7, 2.3",
            room__joists={"along": True, "first_m": 0.5, "spacing_m": 0.6},
        ),
        clear(
            "300 mm | 450 mm | 150 mm",
            "at 2.0 and 2.6, the lens at 2.3; the mount that is chosen reaches 0.45",
            beside=[extra("mount", holds="projector", reach_m=0.45)],
        ),
        tight("300 mm | 100 mm | 200 mm over, tolerated", "at 2.0 and 2.6, the lens at 2.3"),
        tight(
            "350 mm | 100 mm | 250 mm over, tolerated",
            "the lens at 2.3, the first at 2.65",
            room__joists={"along": True, "first_m": 2.65, "spacing_m": 0.6},
        ),
        tight(
            "600 mm | 100 mm | 500 mm over, tolerated",
            "at 1.7 and 2.9: a plate just spans 1.2",
            room__joists={"along": True, "first_m": 0.5, "spacing_m": 1.2},
        ),
        blocked(
            "500 mm | 100 mm | −400 mm",
            "at 1.8 and 3.1: no plate spans 1.3",
            room__joists={"along": True, "first_m": 1.8, "spacing_m": 1.3},
        ),
        blocked(
            "300 mm | 100 mm | −200 mm",
            "at 2.0 and 3.5: no plate spans 1.5",
            room__joists={"along": True, "first_m": 0.5, "spacing_m": 1.5},
        ),
        unknown("The least throw ratio of Lamp", projector__throw_min=None),
    ],
    "projector.socket": [
        unknown("Where the sockets are", room__sockets=()),
        clear(
            "2.905 m | 10.00 m | 7.095 m",
            "0.1 up, 2.0 across in a room 4.0 wide, and 0.805 down to the lens",
            room__sockets=({"id": "s", "name": "up", "wall": "left", "along_m": 3.035, "height_m": 2.9},),
            room__width_m=4.0,
        ),
        tight("6.27 m | 10.00 m | 3.73 m", "2.7 up, 2.3 across, 0.465 along, 0.805 down"),
        blocked(
            "14.47 m | 10.00 m | −4.47 m",
            "in the rear wall of a room 14 long: 2.7 up, 10.965 along, 0.805 down",
            room__length_m=14.0,
            room__sockets=({"id": "s", "name": "rear", "wall": "rear", "along_m": 2.3},),
        ),
        unknown("The least throw ratio of Lamp", projector__throw_min=None),
    ],
    "room.flight": [
        clear("0 % | 1 % | 1 %", "the beam hangs behind the golfer"),
        clear("0 % | 1 % | 1 %", "nothing in the room", room__things=()),
        tight(
            "0.5 % | 1 % | 0.5 %",
            "a post 20 mm thick, 1.9 ahead and 0.435 high: straight on at 8° to 11.5°, 8 of 33 × 49 ways",
            room__things=[post(x_m=2.29, width_m=0.02, height_m=0.435)],
        ),
        blocked("100 % | 1 % | −99 %", "a shelf right across", room__things=[post(x_m=0.5, width_m=3.6, height_m=3.0)]),
        tight(
            "100 % | 1 % | 99 % over, tolerated",
            "a door whose leaf sweeps over the ball, which is kept shut",
            room__things=(),
            room__openings=[WIDE_DOOR],
        ),
        unknown("The thickness of Strip", mat__thickness_m=None),
        unknown("What stands or hangs in the room", room__things=(), room__none_of=()),
    ],
    "projector.swing": [
        clear("1.026 m | 300 mm | 726 mm", "by the dense sampler, hub to clubhead, against the body", **ADA),
        tight(
            "317 mm | 300 mm | 17 mm",
            "right over the apex of the disc, 1.779 beside the ball and 2.708 high: 3.1 − 0.075",
            layout__ball_x_m=4.079,
            layout__lens_distance_m=3.1,
            layout__lens_height_m=3.1,
            room__ceiling_m=3.2,
            room__things=(),
            **ADA,
        ),
        blocked(
            "117 mm | 300 mm | −183 mm",
            "0.2 lower",
            layout__ball_x_m=4.079,
            layout__lens_distance_m=3.1,
            layout__lens_height_m=2.9,
            **ADA,
        ),
        unknown("The least throw ratio of Lamp", projector__throw_min=None, **ADA),
    ],
    "power.circuit": [
        clear("3.1 A | 12.8 A | 9.7 A", "10 + 400 + 300 W at 230 V; 0.8 × 16"),
        clear("11.1 A | 12.8 A | 1.7 A", "1845 W besides: 2555 / 230; 11.2 is comfortable", room__other_load_w=1845),
        tight("11.3 A | 12.8 A | 1.5 A", "1880 W besides: 2590 / 230", room__other_load_w=1880),
        blocked("16.1 A | 12.8 A | −3.3 A", "3000 W besides", room__other_load_w=3000),
        unknown("The rating of the breaker", room__breaker_a=None),
        blocked(
            "13.1 A | 12.8 A | −0.3 A",
            "machine and monitor, 410 W, at a socket of a circuit with 2600 W besides: 3010 / 230 = 13.087",
            room__circuits=(WORKSHOP,),
            room__sockets=(SOCKET | {"circuit": "workshop"},),
        ),
    ],
    "power.sockets": [
        clear(
            "surge protection | surge protection | –",
            "1 + 6 − 1",
            beside=[extra("power_strip", sockets=6, surge_protected=True)],
        ),
        tight("none | surge protection | –", "one socket for three plugs"),
        blocked(
            "2 pieces | 3 pieces | one short",
            "one socket takes one strip: 1 + 2 − 1, whatever the other has",
            beside=[
                extra("power_strip", "One", sockets=2, surge_protected=True),
                extra("power_strip", "Other", sockets=6, surge_protected=True),
            ],
        ),
        blocked(
            "2 pieces | 3 pieces | one short",
            "1 + 2 − 1",
            beside=[extra("power_strip", sockets=2, surge_protected=True)],
        ),
        unknown("Where the sockets are", room__sockets=()),
    ],
    "air.cooling": [
        clear("1,399 W | 1,932 W | 533 W", "2 × 150, 710 W of devices and 1.2 × 1.2 m of glass, 388.8, in 96.6 m³"),
        tight(
            "2,334 W | 1,932 W | 402 W over, tolerated",
            "1.2 × 1.0 m of glass more 324 W, and a heater of 1000 W",
            room__openings=(WINDOW | {"width_m": 1.2},),
            beside=[extra("heater", power_w=1000)],
        ),
        clear(
            "434 W | 1,932 W | 1,498 W",
            "the same less 2000 W, with 100 W of its own",
            room__openings=(WINDOW | {"width_m": 1.2, "opens": "inward"},),
            beside=[extra("heater", power_w=1000), extra("cooler", cools_w=2000, hose=True, power_w=100)],
        ),
        blocked(
            "no window opens | a way out for the hose | –",
            "the hose has nowhere to go",
            room__openings=(WINDOW,),
            beside=[extra("cooler", cools_w=2000, hose=True, power_w=100)],
        ),
        unknown("Which windows and doors the room has", room__openings=()),
    ],
    "air.fresh": [
        clear(
            "35 L/s | 20 L/s | 15 L/s", "35 for two players", beside=[extra("ventilation", airflow_l_s=35, power_w=8)]
        ),
        tight("0 L/s | 20 L/s | 20 L/s short, tolerated", "only through the door"),
        blocked("0 L/s | 20 L/s | −20 L/s", "nothing opens", room__openings=(WINDOW,)),
        unknown("Which windows and doors the room has", room__openings=()),
    ],
    "air.warmth": [
        clear("0 W | 0 W | 0 W", "never cold"),
        clear(
            "6,000 W | 5,679 W | 321 W",
            "2.0 · 134 · 20 + 0.33 · 0.5 · 96.6 · 20 at −5 °C",
            room__coldest="frost",
            beside=[extra("heater", method="oil", heat_w=6000, power_w=0)],
        ),
        clear("radiator | heat | –", "the house heats it", room__coldest="frost", room__things=[RADIATOR]),
        tight(
            "1,000 W | 1,391 W | 391 W short, tolerated",
            "insulated: 0.4 · 134 · 20 + 318.8",
            room__coldest="frost",
            room__insulated=True,
            beside=[extra("heater", method="oil", heat_w=1000, power_w=0)],
        ),
        blocked("0 W | 5,679 W | −5,679 W", "freezing, and no heat", room__coldest="frost"),
        unknown("How cold it is outside when you play", room__coldest=None),
        unknown("Whether the room is insulated", room__coldest="cool", room__insulated=None),
    ],
    "power.leads": [
        clear("1.05 m | 10.00 m | 8.95 m", "the machine is over the socket: 0.3 down and 0.75 up", radar__power_w=0),
        tight("3.05 m | 10.00 m | 6.95 m", "2.0 further along the wall", radar__power_w=0, layout__machine_y_m=5.5),
        blocked(
            "11.05 m | 10.00 m | −1.05 m",
            "a room of 14 m, the machine 10 m from the socket",
            radar__power_w=0,
            room__length_m=14.0,
            layout__machine_y_m=13.5,
        ),
        unknown("Where the sockets are", room__sockets=[], room__none_of=("things", "openings", "joists")),
    ],
    "air.heat": [
        clear("1,010 W | 1,932 W | 922 W", "300 + 710; 20 × 96.6 m³"),
        tight(
            "2,010 W | 1,932 W | 78 W over, tolerated",
            "a heater of 1000 W, the door opens",
            beside=[extra("heater", method="oil", power_w=1000)],
        ),
        blocked(
            "2,010 W | 1,932 W | −78 W",
            "and nothing opens",
            beside=[extra("heater", method="oil", power_w=1000)],
            room__openings=(WINDOW,),
        ),
        unknown("The power of Tower", computer__power_w=None),
    ],
    "heater.fuel": [
        clear("none | none, or made for indoors, with alarm and ventilation | –", "nothing burns"),
        tight(
            "Stove | none, or made for indoors, with alarm and ventilation | –",
            "made for it, with alarm and a door",
            beside=[extra("heater", "Stove", method="fuel", made_for_indoors=True), extra("co_alarm", "Alarm")],
        ),
        blocked(
            "Stove | none, or made for indoors, with alarm and ventilation | lacks a carbon-monoxide alarm",
            "no alarm",
            beside=[extra("heater", "Stove", method="fuel", made_for_indoors=True)],
        ),
        blocked(
            "stove | none, or made for indoors, with alarm and ventilation | lacks a carbon-monoxide alarm",
            "the room's own, and no alarm",
            room__things=[stove(burns_fuel=True)],
        ),
        clear(
            "none | none, or made for indoors, with alarm and ventilation | –",
            "an electric one",
            room__things=[stove(burns_fuel=False)],
        ),
        unknown("Whether stove burns fuel", room__things=[stove()]),
        unknown("What stands or hangs in the room", room__things=[], room__none_of=()),
        unknown("The use indoors of Stove", beside=[extra("heater", "Stove", method="fuel")]),
    ],
    "noise.devices": [
        clear("36 dB | 45 dB | 9 dB", "the tower is the loudest", brief__noise="any"),
        tight("36 dB | 38 dB | 2 dB", "2, under 3", brief__noise="damped"),
        tight("36 dB | 32 dB | 4 dB over, tolerated", "quiet is wanted: the strike is what neighbours hear"),
        blocked("36 dB | 32 dB | −4 dB", "and films are a must", brief__purposes={"films": 5}),
        unknown("The noise of Tower", computer__noise_db=None),
        unknown("Which devices hum", without=("machine", "display")),
    ],
    "sound.speaker": [
        clear("5 W | any | –", "neither films nor games are wanted"),
        tight("5 W | 15 W | 10 W short, tolerated", "films are", brief__purposes={"films": 4}),
        blocked("0 W | 15 W | −15 W", "and nothing is heard", brief__purposes={"films": 4}, projector__speaker_w=0),
        unknown("The speaker of Lamp", projector__speaker_w=None),
    ],
    "light.screen": [
        clear("none | none | –", "no lamp"),
        tight("Bar | none | –", "lights the room", beside=[extra("lamp", "Bar", lights="room")]),
        blocked("Flood | none | –", "shines on the screen", beside=[extra("lamp", "Flood", lights="screen")]),
        clear("none | none | –", "off while playing", room__things=[pendant(lit=False)]),
        tight("pendant | none | –", "on, 3.0 before the screen", room__things=[pendant(lit=True, y_m=3.3)]),
        blocked("pendant | none | –", "on, 1.25 before the screen", room__things=[pendant(lit=True)]),
        unknown("Whether pendant is on while you play", room__things=[pendant(y_m=3.3)]),
        unknown("What stands or hangs in the room", room__things=[], room__none_of=()),
        unknown("The place that it lights of Spot", beside=[extra("lamp", "Spot")]),
    ],
}
