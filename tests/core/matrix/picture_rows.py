"""Picture, screen, enclosure, mat and floor."""

from typing import Any

from core.model.parts import Edge, Net, Part, ProjectionSheet
from tests.core import worlds
from tests.core.matrix.case import WINDOW, Case, blocked, clear, extra, net_before, pendant, post, tight, unknown

NET = Net(id="net", maker="Maker", name="Net", width_m=2.6, height_m=2.5)
SHEET_ONLY = ProjectionSheet(id="sheet", maker="Maker", name="Sheet", width_m=2.6, height_m=2.5)


def landing_turf(**facts: Any) -> Part:
    """Something soft to lay before the screen."""
    return extra(
        "turf", "Landing turf", **{"thickness_m": 0.03, "soft": True, "pile_m": 0.02, "roll_width_m": 2.0, **facts}
    )


SQUARE = "4:3 of 2.60 × 1.95 on a square of 2.60: 75 %"
WIDE = worlds.screen(id="wide", width_m=2.7, height_m=1.5625)
LAMP = worlds.thing(id="lamp", kind="lamp", name="lamp", y_m=2.0, fixed_to="ceiling").model_dump()
PIPE = extra("frame_material", "Pipe", material="pipe", section_m=0.027)


def cords(pack_size: int) -> Part:
    return extra("hanging", takes=("grommets",), load_kg=1, pack_size=pack_size)


def baffle(width_m: float) -> Part:
    return extra("baffle", width_m=width_m, height_m=2.7, sound="quiet")


def fitting(material: str, section_m: float) -> Part:
    return extra("frame_fitting", "Corner", material=material, fits_section_m=section_m)


def green(width_m: float, length_m: float) -> Part:
    return extra("putting_surface", "Green", width_m=width_m, length_m=length_m, pile_m=0.005)


ROWS: dict[str, list[Case]] = {
    "picture.joint": [
        clear("75 % | 50 % | 25 %", "4:3 fills 75 % of the square and 75 % of 16:9; 16:9 only 56.25 % of the square"),
        tight("56.2 % | 50 % | 6.2 %", "16:9 alone: 9 / 16 of the square, all of the panel", title__shapes=("16:9",)),
        blocked(
            "42.2 % | 50 % | −7.8 %",
            "1:1 fills the square, and 27 / 64 of a panel of 2560 × 1080",
            title__shapes=("1:1",),
            projector__width_px=2560,
            projector__height_px=1080,
        ),
        unknown("The picture shapes of Rounds", title__shapes=()),
    ],
    "picture.shape": [
        clear("100 % | 50 % | 50 %", "software that draws squares fills a square", title__shapes=("1:1",)),
        tight("75 % | 50 % | 25 %", SQUARE),
        blocked(
            "42.2 % | 50 % | −7.8 %",
            "21:9 on a square: 9 / 21 = 42.9 % of 2.6, told by 64:27 as 42.2 %",
            title__shapes=("64:27",),
        ),
        unknown("The picture shapes of Rounds", title__shapes=()),
    ],
    "picture.panel": [
        clear("100 % | 50 % | 50 %", "a 4:3 panel carries 4:3", projector__width_px=1400, projector__height_px=1050),
        tight("75 % | 50 % | 25 %", "4:3 on 16:9: (4/3) / (16/9) = 0.75"),
        blocked(
            "42.2 % | 50 % | −7.8 %",
            "1:1 on 64:27",
            title__shapes=("1:1",),
            projector__width_px=2560,
            projector__height_px=1080,
        ),
        unknown("The pixels across of Lamp", projector__width_px=None),
    ],
    "picture.throw": [
        clear("2.635 m | 2.392 m | 243 mm", "raster 1.95 × 16/9 = 3.467; 0.69 of it 2.392, 0.83 of it 2.877"),
        tight("2.40 m | 2.392 m | 8 mm", "8 mm from the near end", layout__lens_distance_m=2.40),
        blocked("3.20 m | 2.877 m | −323 mm", "0.323 beyond the far end", layout__lens_distance_m=3.2),
        unknown("The least throw ratio of Lamp", projector__throw_min=None),
    ],
    "picture.lens_height": [
        clear("2.195 m | 2.195 m | 0 mm", "at the top of its band: 0.05 + 1.95 + 0.1 × 1.95"),
        tight("4.4° | 20.0° | 15.6°", "0.205 over it: 4.4° of keystone", layout__lens_height_m=2.4),
        blocked("3.175 m | 3.00 m | −175 mm", "half a body of 0.15 over it, under 3.0", layout__lens_height_m=3.1),
        unknown("The lowest lens offset of Lamp", projector__lens_above_min=None),
    ],
    "picture.wish": [
        clear("1,080 lines | any | –", "nobody wishes for more"),
        clear("1,080 lines | 1,080 lines | 0 lines", "as wished for", brief__lines_wanted=1080),
        tight("1,080 lines | 2,160 lines | 1,080 lines short, tolerated", "half of it", brief__lines_wanted=2160),
        blocked(
            "1,080 lines | 2,160 lines | −1,080 lines",
            "and films are a must",
            brief__lines_wanted=2160,
            brief__purposes={"films": 5},
        ),
        unknown("The lines of the panel of Lamp", projector__height_px=None),
    ],
    "picture.lens_aside": [
        clear("0 mm | 0 mm | 0 mm", "before the middle"),
        clear("100 mm | 173 mm | 73 mm", "0.10 beside it, 0.05 × 3.4667 of shift", layout__lens_x_m=2.4),
        tight("2.8° | 15.0° | 12.2°", "atan((0.30 − 0.1733) / 2.635)", layout__lens_x_m=2.6),
        blocked("17.4° | 15.0° | −2.4°", "atan((1.00 − 0.1733) / 2.635), to the left", layout__lens_x_m=1.3),
        unknown("The shift across of Lamp", layout__lens_x_m=2.4, projector__lens_aside_max=None),
        unknown("The keystone across of Lamp", layout__lens_x_m=2.6, projector__keystone_across_max_deg=None),
    ],
    "picture.shadow": [
        clear("0 % | 20 % | 20 %", "the lens hangs 2.635 out, the golfer stands at 3.1", subject="Ada"),
        tight(
            "0 mm | 0 mm | 0 mm",
            "at the head the light is at 1.90 over 1.89, before her feet at 1.69 under 1.84",
            layout__ball_x_m=3.282,
            layout__lens_distance_m=4.1,
            layout__lens_height_m=2.5,
            subject="Ada",
        ),
        tight(
            "4.3 % | 20 % | 15.7 %",
            "head 1.89 in mid-beam: 2.4 − 0.51 · 4.0 / 0.9 = 0.133, less 0.05, of 1.95",
            layout__ball_x_m=3.282,
            layout__lens_distance_m=4.0,
            layout__lens_height_m=2.4,
            subject="Ada",
        ),
        blocked(
            "39.6 % | 20 % | −19.6 %",
            "the same with the lens at 2.2: 2.2 − 0.31 · 4.0 / 0.9 = 0.822, less 0.05, of 1.95",
            layout__ball_x_m=3.282,
            layout__lens_distance_m=4.0,
            layout__lens_height_m=2.2,
            subject="Ada",
        ),
        unknown("The least throw ratio of Lamp", projector__throw_min=None, subject="Ada"),
    ],
    "projector.beam": [
        clear("0 % | 2 % | 2 %", "the enclosure is over and beside the light"),
        tight(
            "1 % | 2 % | 1 %",
            "a post before the screen: one of 48 columns, 13 of 27 rows, up to 0.953 of those to 1.025",
            room__things=[post(x_m=2.31, y_m=0.41, width_m=0.035, length_m=0.01, height_m=0.99)],
        ),
        blocked("100 % | 2 % | −98 %", "a shelf right across", room__things=[post(x_m=0.5, width_m=3.6, height_m=3.0)]),
        unknown("The least throw ratio of Lamp", projector__throw_min=None),
    ],
    "picture.luminance": [
        clear("141.3 cd/m² | 27.5 cd/m² | 113.8 cd/m²", "4000 · 0.75 / (π · 3.467 · 1.95) = 141.3"),
        tight("35.3 cd/m² | 27.5 cd/m² | 7.8 cd/m²", "a quarter of the light", projector__lumens=1000),
        blocked("17.7 cd/m² | 27.5 cd/m² | −9.8 cd/m²", "an eighth", projector__lumens=500),
        unknown("The brightness of Lamp", projector__lumens=None),
    ],
    "picture.contrast": [
        tight(
            "10.3 : 1 | 7.0 : 1 | 3.3 : 1",
            "a wide lamp of 1,000 lm: 45.9 lux straight at 1.35 up, 0.5 · 1000 · 0.3 / (134 · 0.7) = 1.6 thrown back",
            room__light=None,
            room__wall_colour="mid",
            room__openings=[],
            room__none_of=("openings",),
            room__things=[pendant(lit=True, lumens=1000)],
        ),
        unknown("How the room is lit while you play", room__light=None),
        clear("15.7 : 1 | 7.0 : 1 | 8.7 : 1", "141.3 over 30/π + 0.07, plus one"),
        tight("8.4 : 1 | 7.0 : 1 | 1.4 : 1", "half the light: 70.6 / 9.58 + 1", projector__lumens=2000),
        blocked("4.7 : 1 | 7.0 : 1 | −2.3 : 1", "working light, 120 lux: 141.3 / 38.27 + 1", room__light="working"),
        unknown("The native contrast of Lamp", projector__native_contrast=None),
    ],
    "picture.sharpness": [
        clear("31.6 px/° | 30.0 px/° | 1.6 px/°", "1440 pixels over 2 · atan(1.3 / 3.1) = 45.5°"),
        tight(
            "21.1 px/° | 30.0 px/° | 8.9 px/° short, tolerated",
            "960 pixels over the same",
            projector__width_px=1280,
            projector__height_px=720,
        ),
        blocked(
            "21.1 px/° | 30.0 px/° | −8.9 px/°",
            "the same, and films are a must",
            projector__width_px=1280,
            projector__height_px=720,
            brief__purposes={"films": 5},
        ),
        unknown("The pixels across of Lamp", projector__width_px=None),
    ],
    "screen.rating": [
        clear("90.0 m/s | 66.0 m/s | 24.0 m/s", "1.1 × 60"),
        clear("90.0 m/s | 66.0 m/s | 24.0 m/s", "and club speed is told besides", screen__rated_club_speed_m_s=54),
        tight("68.0 m/s | 66.0 m/s | 2.0 m/s", "a twentieth of 66 is 3.3", screen__rated_ball_speed_m_s=68),
        blocked("60.0 m/s | 66.0 m/s | −6.0 m/s", "6 short", screen__rated_ball_speed_m_s=60),
        blocked(
            "60.0 m/s | 66.0 m/s | −6.0 m/s",
            "the net before a sheet is what is struck",
            swap=[SHEET_ONLY],
            beside=[net_before(rated_ball_speed_m_s=60.0)],
        ),
        unknown("The rated ball speed of Square", screen__rated_ball_speed_m_s=None, screen__rated_club_speed_m_s=54),
    ],
    "screen.room": [
        clear("3.00 m | 2.70 m | 300 mm", "0.3 under the ceiling"),
        tight("3.00 m | 2.98 m | 20 mm", "20 mm, under 50", screen__height_m=2.98),
        blocked("3.00 m | 3.20 m | −200 mm", "0.2 too high", screen__height_m=3.2),
        unknown("The width of Square", screen__width_m=None),
    ],
    "screen.stage": [
        clear("screen | screen | –", "a screen for a projected picture"),
        clear("net | net | –", "before that stage a net does", swap=[NET], brief__stage="net"),
        tight("screen | net | –", "more than that stage asks for", brief__stage="net"),
        blocked("net | screen | –", "a net shows none", swap=[NET]),
        blocked("screen without a picture | screen | –", "a black face", screen__carries_picture=False),
        unknown("The fitness for a picture of Square", screen__carries_picture=None),
    ],
    "screen.struck": [
        clear("stops any ball | stops any ball | –", "an impact screen"),
        tight(
            "stops soft balls | stops any ball | –",
            "only felt ones are chosen",
            screen__stops="soft_balls",
            beside=[extra("balls", "Felt", soft=True)],
        ),
        blocked("stops soft balls | stops any ball | –", "nobody chose soft ones", screen__stops="soft_balls"),
        blocked("projection sheet | stops any ball | –", "a sheet is never struck", swap=[SHEET_ONLY]),
        clear(
            "stops any ball | stops any ball | –",
            "a net as large as the sheet behind it",
            swap=[SHEET_ONLY],
            beside=[net_before()],
        ),
        tight(
            "2.50 m | 2.60 m | 100 mm short, tolerated",
            "0.1 m of the sheet shows",
            swap=[SHEET_ONLY],
            beside=[net_before(width_m=2.5)],
        ),
        blocked(
            "2.30 m | 2.60 m | −300 mm",
            "0.3 m of it does",
            swap=[SHEET_ONLY],
            beside=[net_before(width_m=2.3)],
        ),
        unknown("The kind of balls that it stops of Square", screen__stops=None),
    ],
    "screen.noise": [
        clear("quiet | quiet or less | –", "as wanted", screen__sound="quiet"),
        clear("quiet | quiet or less | –", "a quiet baffle covers 2.7 × 2.7", beside=[baffle(2.7)]),
        tight("damped | quiet or less | –", "one step louder", screen__sound="damped"),
        blocked("loud | quiet or less | –", "two steps louder"),
        blocked("loud | quiet or less | –", "the baffle is 2.0 wide, the screen 2.7", beside=[baffle(2.0)]),
        unknown("The noise of a strike of Square", screen__sound=None),
    ],
    "screen.backing": [
        clear("lets no light through | nothing | –", "lets no light through"),
        tight("none | black cloth | –", "does, and nothing hangs behind", screen__needs_backing=True),
        clear(
            "black, matt face | black, matt face | –",
            "black cloth off a roll as wide as the screen is high",
            screen__needs_backing=True,
            beside=[extra("masking_cloth", roll_width_m=3.0, black=True)],
        ),
        blocked(
            "no black, matt face | black, matt face | –",
            "what hangs there is grey",
            screen__needs_backing=True,
            beside=[extra("masking_cloth", roll_width_m=3.0, black=False)],
        ),
        blocked(
            "none | black cloth | –",
            "and the day shines in from behind",
            screen__needs_backing=True,
            room__openings=({**WINDOW, "wall": "screen", "guard": "net"},),
        ),
        unknown("The need for black cloth behind of Square", screen__needs_backing=None),
    ],
    "screen.rebound": [
        clear("3 layers | 2 layers or a topper | –", "three layers"),
        clear(
            "topper | topper | –",
            "one layer, and a topper as thick as it must be",
            screen__layers=1,
            beside=[extra("padding", "Topper", purpose="topper", thickness_m=0.03)],
        ),
        blocked(
            "25 mm | 30 mm | −5 mm",
            "one layer, and a topper too thin",
            screen__layers=1,
            beside=[extra("padding", "Topper", purpose="topper", thickness_m=0.025)],
        ),
        tight("1 layer | 2 layers or a topper | –", "one layer, no topper", screen__layers=1),
        tight(
            "1 layer | 2 layers or a topper | –",
            "foam for edges is none, however thick",
            screen__layers=1,
            beside=[extra("padding", purpose="edge", thickness_m=0.05)],
        ),
        blocked(
            "1 layer | 2 layers or a topper | –",
            "one layer, 0.25 before the wall",
            screen__layers=1,
            layout__screen_y_m=0.25,
        ),
        unknown("The layers of Square", screen__layers=None),
    ],
    "screen.roof": [
        clear("roof | a roof | –", "the enclosure has one"),
        clear(
            "Over | a roof | –",
            "netting made for overhead",
            enclosure__roof=False,
            beside=[extra("side_protection", "Over", roof=True)],
        ),
        tight("none | a roof | –", "a bare ceiling, the lamp behind the ball", enclosure__roof=False),
        blocked(
            "none | a roof | –",
            "a lamp 2.0 from the rear of the screen, the ball at 3.5",
            enclosure__roof=False,
            room__things=(LAMP,),
        ),
        unknown("The roof of Box", enclosure__roof=None),
    ],
    "projector.head": [
        clear("2.12 m | 1.85 m | 270 mm", "lens 2.195 less 0.075; 1.80 + 0.05"),
        tight("1.925 m | 1.85 m | 75 mm", "put at 2.0; 75 mm, under 100", layout__lens_height_m=2.0),
        blocked("1.825 m | 1.85 m | −25 mm", "put at 1.9", layout__lens_height_m=1.9),
        unknown("The least throw ratio of Lamp", projector__throw_min=None),
    ],
    "projector.wedge": [
        clear("2.12 m | 595 mm | 1.525 m", "3.1 − 0.76 · 3.4667 = 0.4653 ahead; 0.04 + 0.4653 · 1.19175"),
        clear(
            "behind the ball | behind the ball, or above the line | –",
            "hung behind the ball",
            layout__lens_distance_m=3.2,
        ),
        tight("2.12 m | 2.006 m | 114 mm", "1.65 ahead: 0.04 + 1.966", layout__lens_distance_m=1.45),
        blocked("2.12 m | 2.543 m | −423 mm", "2.1 ahead: 0.04 + 2.503", layout__lens_distance_m=1.0),
        unknown("The least throw ratio of Lamp", projector__throw_min=None),
    ],
    "enclosure.fittings": [
        clear("none | none, or ones that take the sticks | –", "nothing chosen"),
        clear("pipe | pipe | –", "27 mm on 27 mm", beside=[PIPE, fitting("pipe", 0.027)]),
        tight("2 mm | 2 mm | 0 mm", "1.5 mm of play", beside=[PIPE, fitting("pipe", 0.0285)]),
        blocked("3 mm | 2 mm | −1 mm", "3 mm of play", beside=[PIPE, fitting("pipe", 0.03)]),
        blocked("timber | pipe | –", "made for timber", beside=[PIPE, fitting("timber", 0.027)]),
        unknown(
            "The thickness of Pipe",
            beside=[
                extra("frame_material", "Pipe", material="pipe"),
                extra("frame_fitting", "Corner", material="pipe", fits_section_m=0.032),
            ],
        ),
    ],
    "floor.putting_strip": [
        clear("no strip | none, or one that fits | –", "none"),
        clear("3.00 m | 3.10 m | 100 mm", "100 mm to spare", beside=[green(0.6, 3.0)]),
        tight("4.00 m | 3.10 m | 900 mm over, tolerated", "reaches under the screen", beside=[green(0.6, 4.0)]),
        tight("250 mm | 300 mm | 50 mm short, tolerated", "0.25 wide", beside=[green(0.25, 3.0)]),
        blocked(
            "250 mm | 300 mm | −50 mm",
            "0.25 wide, and putting is a must",
            beside=[green(0.25, 3.0)],
            brief__purposes={"putting": 5},
        ),
        unknown("The width of Green", beside=[extra("putting_surface", "Green")]),
    ],
    "screen.tension": [
        clear("300 mm | 200 mm | 100 mm", "an eyelet every 300 mm"),
        tight("150 mm | 200 mm | 50 mm short, tolerated", "too many", screen__edge_spacing_m=0.15),
        tight("750 mm | 600 mm | 150 mm over, tolerated", "too few", screen__edge_spacing_m=0.75),
        tight("raw edge | an edge that can be held | –", "raw", screen__edge=Edge.RAW),
        clear("hook and loop tape | an edge that can be held | –", "held all along", screen__edge=Edge.HOOK_TAPE),
        blocked("3.20 m | 3.10 m | −100 mm", "it comes back past the ball", hung_screen__bounce_m=3.2),
        tight("1.60 m | 3.10 m | 1.50 m", "over half of the way", hung_screen__bounce_m=1.6),
        unknown("The edge of Square", screen__edge=None),
    ],
    "screen.sides": [
        clear(
            "0 % | 20 % | 20 %",
            "two nets of 3.0 × 2.7 m from the screen on",
            enclosure__sides=False,
            beside=[extra("side_protection", name, width_m=3.0, height_m=2.7) for name in ("One", "Two")],
        ),
        clear(
            "0 % | 20 % | 20 %",
            "the enclosure's sides, and nets of 2.0 m from their end on",
            beside=[extra("side_protection", name, width_m=2.0, height_m=1.5) for name in ("One", "Two")],
        ),
        tight("75.3 % | 20 % | 55.3 % over, tolerated", "sides of 1.0 m: 61 of 81 angles fly past their edge"),
        tight(
            "61.7 % | 20 % | 41.7 % over, tolerated",
            "two nets of 1.5 m: 50 of 81 angles",
            enclosure__sides=False,
            beside=[extra("side_protection", name, width_m=1.5, height_m=2.0) for name in ("One", "Two")],
        ),
        tight(
            "100 % | 20 % | 80 % over, tolerated",
            "one net for two hands",
            enclosure__sides=False,
            beside=[extra("side_protection", width_m=3.0, height_m=2.5)],
        ),
        blocked("75.3 % | 20 % | −55.3 %", "and visitors play", brief__visitors=True),
        unknown("The sides of Box", enclosure__sides=None),
        unknown("The width of Net", beside=[extra("side_protection", "Net", height_m=2.0)]),
    ],
    "screen.weight": [
        clear(
            "held by poles of its own | cords that carry it | –",
            "on poles of its own, whatever cords lie about",
            screen__edge="own_poles",
            beside=[cords(4)],
        ),
        clear("held by its frame | cords that carry it | –", "hook and loop all round", screen__edge="hook_tape"),
        clear(
            "25.0 kg | 6.0 kg | 19.0 kg",
            "25 cords of 1 kg",
            beside=[cords(25)],
        ),
        tight(
            "7.0 kg | 6.0 kg | 1.0 kg",
            "1.0, a quarter of 6 is 1.5",
            beside=[cords(7)],
        ),
        blocked(
            "4.0 kg | 6.0 kg | −2.0 kg",
            "two short",
            beside=[cords(4)],
        ),
        unknown("The weight of Square", screen__weight_kg=None),
    ],
    "screen.edge": [
        clear("grommets | grommets, loops | –", "the frame takes grommets"),
        tight("raw edge | grommets, loops | –", "it takes no raw edge", screen__edge="raw"),
        blocked(
            "raw edge | grommets, loops | –",
            "nor do the cords that are chosen",
            screen__edge="raw",
            beside=[extra("hanging", takes=("grommets",))],
        ),
        clear("poles of its own | grommets, loops | –", "it needs neither frame nor cords", screen__edge="own_poles"),
        unknown("The edge of Square", screen__edge=None),
    ],
    "screen.enclosure": [
        clear(
            "30 mm | 200 mm | 170 mm",
            "30 beside each side and 20 above",
            enclosure__inner_width_m=2.76,
            enclosure__inner_height_m=2.72,
        ),
        clear(
            "150 mm | 300 mm | 150 mm",
            "over the frame by 0.15 on each side and above",
            enclosure__inner_width_m=2.4,
            enclosure__inner_height_m=2.55,
        ),
        tight("60 mm | 200 mm | 140 mm", "60 above: a ball gets out"),
        tight(
            "350 mm | 200 mm | 150 mm over, tolerated",
            "0.35 on each side, closed with cloth",
            enclosure__inner_width_m=3.4,
            beside=[extra("masking_cloth", "Cloth")],
        ),
        blocked("350 mm | 200 mm | −150 mm", "and nothing closes it", enclosure__inner_width_m=3.4),
        blocked("400 mm | 300 mm | −100 mm", "0.4 over the frame", enclosure__inner_height_m=2.3),
        tight(
            "400 mm | 300 mm | 100 mm over, tolerated",
            "raw cloth is cut to size",
            enclosure__inner_height_m=2.3,
            screen__edge="raw",
        ),
        unknown("The inner width of Box", enclosure__inner_width_m=None),
    ],
    "enclosure.room": [
        clear("3.00 m | 2.85 m | 150 mm", "0.15 under the ceiling"),
        tight("3.00 m | 2.98 m | 20 mm", "20 mm, under 50", enclosure__outer_height_m=2.98),
        blocked("4.60 m | 4.80 m | −200 mm", "0.2 too wide", enclosure__outer_width_m=4.8),
        unknown("The depth of Box", enclosure__depth_m=None),
    ],
    "enclosure.complete": [
        clear("0 of 0 left out are chosen | all of it | –", "nothing is left out"),
        tight(
            "0 of 1 left out are chosen | all of it | lacks edge padding",
            "the padding is",
            enclosure__leaves_out=("edge_padding",),
        ),
        blocked(
            "0 of 1 left out are chosen | all of it | lacks frame",
            "the frame is, and nothing stands",
            enclosure__leaves_out=("frame",),
        ),
        unknown("The pieces that it leaves out of Box", enclosure__leaves_out=None),
    ],
    "enclosure.swing": [
        clear("714 mm | 0 mm | 714 mm", "a box one metre deep ends before the swing", subject="Ada"),
        tight(
            "137 mm | 0 mm | 137 mm",
            "a deep one with its roof at 2.845: 2.845 − 2.708",
            subject="Ada",
            enclosure__depth_m=4.5,
            enclosure__inner_width_m=4.5,
            enclosure__outer_width_m=4.56,
            enclosure__inner_height_m=2.845,
            enclosure__outer_height_m=2.9,
        ),
        blocked(
            "−308 mm | 0 mm | −308 mm",
            "its roof at 2.45: 2.708 − 2.45 = 0.258 too high, 0.258 / sin 57° along the plane of the swing",
            subject="Ada",
            enclosure__depth_m=4.5,
            enclosure__inner_width_m=4.5,
            enclosure__outer_width_m=4.56,
            enclosure__inner_height_m=2.45,
            enclosure__outer_height_m=2.9,
        ),
        unknown("The thickness of Strip", subject="Ada", mat__thickness_m=None),
    ],
    "mat.strip": [
        clear("500 mm | 400 mm | 100 mm", "0.5 − 0.4"),
        tight("420 mm | 400 mm | 20 mm", "20 mm, under 50", mat__strip_width_m=0.42),
        blocked("350 mm | 400 mm | −50 mm", "50 mm too narrow", mat__strip_width_m=0.35),
        unknown("The strip width of Strip", mat__strip_width_m=None),
    ],
    "mat.room": [
        clear("2.30 m | 750 mm | 1.55 m", "2.3 to either side wall, half of 1.5 wanted"),
        clear("750 mm | 750 mm | 0 mm", "its edge at the wall", layout__ball_x_m=0.75),
        tight("720 mm | 700 mm | 20 mm", "pushed by 30: the strip has 50 to spare", layout__ball_x_m=0.72),
        blocked("600 mm | 700 mm | −100 mm", "150 off the middle of a strip of 500", layout__ball_x_m=0.6),
        blocked("500 mm | 600 mm | −100 mm", "750 − (1200 − 900) / 2 of the rear wall", layout__ball_y_m=6.5),
        blocked("2.30 m | 2.50 m | −200 mm", "5.0 m wide in 4.6", mat__width_m=5.0),
        blocked(
            "600 mm | 700 mm | −100 mm", "the left-handers' alone", layout__left_ball_x_m=4.0, layout__left_ball_y_m=3.5
        ),
        clear(
            "1.95 m | 750 mm | 1.20 m",
            "two balls 0.7 m apart on one mat between them",
            layout__left_ball_x_m=3.0,
            layout__left_ball_y_m=3.5,
        ),
        unknown("The strip width of Strip", mat__strip_width_m=None, layout__ball_x_m=0.7),
        unknown("The length of Strip", mat__length_m=None),
    ],
    "mat.flush": [
        clear("stood on | stood on, or flush | –", "a mat that one stands on"),
        clear("0 mm | 10 mm | 10 mm", "40 and 40", swap=[worlds.strip()]),
        tight("5 mm | 10 mm | 5 mm", "45 and 40: felt, no trip", swap=[worlds.strip(thickness_m=0.045)]),
        blocked("20 mm | 10 mm | −10 mm", "60 and 40: a foot catches", swap=[worlds.strip(thickness_m=0.06)]),
        blocked("40 mm | 10 mm | −30 mm", "on top of the tiles", swap=[worlds.strip()], layout__mat_lies="on_top"),
        unknown("Whether the mat is let in or lies on top", swap=[worlds.strip()], layout__mat_lies=None),
        unknown("The thickness of Strip", mat__thickness_m=None),
    ],
    "mat.cushion": [
        clear("soft | firm or soft | –", "soft"),
        tight("hard | firm or soft | –", "hard, on timber", mat__cushion="hard"),
        blocked(
            "hard | firm or soft | –",
            "hard, 4 h a week, on concrete without foam",
            mat__cushion="hard",
            room__floor_base="concrete",
            tiles__soft=False,
        ),
        unknown("The cushion of Strip", mat__cushion=None),
    ],
    "mat.slip": [
        clear("let into the floor | heavy, or let in | –", "sunk 40 mm into the tiles"),
        tight("8.0 kg | 5.0 kg | 3.0 kg", "8 kg on a bare floor", mat__weight_kg=8, without=("floor",)),
        blocked("4.0 kg | 5.0 kg | −1.0 kg", "under 5 kg", mat__weight_kg=4, without=("floor",)),
        clear("20.0 kg | 5.0 kg | 15.0 kg", "on tiles", mat__weight_kg=20, layout__mat_lies="on_top"),
        tight(
            "20.0 kg | 5.0 kg | 15.0 kg",
            "on a pile of 20 mm it takes 25",
            mat__weight_kg=20,
            layout__mat_lies="on_top",
            tiles__pile_m=0.02,
        ),
        unknown("Whether the mat is let in or lies on top", layout__mat_lies=None),
        unknown("The weight of Strip", mat__weight_kg=None),
    ],
    "mat.tee": [
        clear("wooden tees | a tee | –", "the mat takes them"),
        tight("none chosen yet | tether | –", "it takes none, none is chosen", mat__takes_tee=False),
        blocked(
            "no tether | tether | –",
            "they want a hole, and the mat has none",
            mat__takes_tee=False,
            beside=[extra("tees", "Pegs", through_mat=True, tethered=False)],
        ),
        unknown("The hole for a wooden tee of Strip", mat__takes_tee=None),
    ],
    "floor.cover": [
        clear("8 % | 50 % | 42 %", "140 tiles of 0.25 m² for 32.2: 2.8 of 35.0 cut off"),
        tight(
            "19.5 % | 50 % | 30.5 %",
            "a side of 1.0: 5 × 7 = 35, in packs of 20 it is 40; 7.8 of them cut off or over",
            tiles__tile_side_m=1.0,
            tiles__tiles_per_pack=20,
        ),
        blocked(
            "67.8 % | 50 % | −17.8 %",
            "35 tiles of 1 m² in packs of 100: 67.8 of 100 cut off or over",
            tiles__tile_side_m=1.0,
            tiles__tiles_per_pack=100,
        ),
        unknown("The side of a tile of Tile", tiles__tile_side_m=None),
    ],
    "floor.landing": [
        clear("100 % | 100 % | 0 %", "tiles wall to wall are soft"),
        tight("0 % | 100 % | 100 % short, tolerated", "hard", tiles__soft=False),
        clear(
            "100 % | 100 % | 0 %",
            "the strip of 3.2 × 1.2 m under a soft layer of 3.3 × 1.6 m that begins at the screen",
            tiles__soft=False,
            layers=[(landing_turf(), {"floor_x_m": 0.65, "floor_width_m": 3.3, "floor_length_m": 1.6})],
        ),
        tight(
            "50 % | 100 % | 50 % short, tolerated",
            "soft up to 1.0 m from the wall, the screen hangs 0.4 m before it: 0.6 of 1.2 m",
            tiles__soft=False,
            layers=[(landing_turf(), {"floor_length_m": 1.0})],
        ),
        unknown("The softness of Landing turf", layers=[(landing_turf(soft=None), {})]),
        blocked("1.00 m | 1.20 m | −200 mm", "ball a metre from the screen", layout__ball_y_m=1.4),
        unknown("The softness of Tile", tiles__soft=None),
    ],
    "floor.steps": [
        clear("0 mm | 10 mm | 10 mm", "one covering wall to wall"),
        tight("5 mm | 10 mm | 5 mm", "tiles of 5 mm end at 4 m", tiles__thickness_m=0.005, layout__floor_length_m=4.0),
        tight(
            "30 mm | 10 mm | 20 mm over, tolerated",
            "a layer of 30 mm",
            layers=[(landing_turf(), {"floor_length_m": 2.0})],
        ),
        blocked("150 mm | 10 mm | −140 mm", "a stage", tiles__thickness_m=0.15, layout__floor_length_m=4.0),
        unknown("The thickness of Tile", tiles__thickness_m=None, layout__floor_length_m=4.0),
    ],
    "floor.putting": [
        clear("10 mm | 12 mm | 2 mm", "12 − 10"),
        clear("nobody putts | any | –", "nobody putts", tiles__pile_m=0.022, brief__purposes={"full_rounds": 5}),
        tight("22 mm | 12 mm | 10 mm over, tolerated", "12 − 22", tiles__pile_m=0.022),
        blocked(
            "22 mm | 12 mm | −10 mm",
            "the same, and putting is a must",
            tiles__pile_m=0.022,
            brief__purposes={"putting": 5},
        ),
        clear(
            "8 mm | 12 mm | 4 mm",
            "the shorter of two strips",
            tiles__pile_m=0.022,
            beside=[
                extra("putting_surface", "Short", pile_m=0.008, width_m=0.6, length_m=2.0),
                extra("putting_surface", "Long", pile_m=0.014, width_m=0.6, length_m=2.0),
            ],
        ),
        unknown("The pile of Tile", tiles__pile_m=None),
    ],
}
