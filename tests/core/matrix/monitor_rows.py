"""The launch monitor, its data, and what is around it."""

from typing import Any

from core.model.parts import Disturbance, OverheadCamera, Part, SideCamera
from tests.core import worlds
from tests.core.matrix.case import WINDOW, Case, blocked, clear, extra, tight, unknown

CLUB = ("club_path", "face_angle")
ALL = ("ball_speed", "launch_angle", "launch_direction", "putting", *CLUB, "spin_rate", "spin_axis")
ALL_WORDS = ", ".join(word.replace("_", " ") for word in ALL)
ROUNDS_WORDS = "ball speed, launch angle, launch direction, spin rate, spin axis"
OVER = worlds.monitor_of(
    OverheadCamera,
    mount_height_min_m=2.5,
    mount_height_max_m=3.2,
    ahead_min_m=0.6,
    ahead_max_m=1.0,
)
BESIDE = worlds.monitor_of(SideCamera, distance_min_m=0.4, distance_max_m=0.6, case_included=False)
FULL_ROUNDS = {"full_rounds": 5}


def package(**facts: Any) -> Part:
    """A package that adds spin to the radar under any plan."""
    return extra(
        "monitor_package", "Spin", **{"monitors": ("radar",), "unlocks": ("spin_rate",), "needs_tier": 0, **facts}
    )


ROWS: dict[str, list[Case]] = {
    "monitor.behind": [
        clear("2.30 m | 2.00 m | 300 mm", "in the middle of 2.0 to 2.6: 0.3 from either end"),
        tight(
            "2.50 m | 2.45 m | 50 mm",
            "2.5 behind, 2.3 + 0.15 for its body: 0.05, under the comfort of 0.1",
            room__length_m=6.0,
            layout__monitor_distance_m=2.3,
        ),
        clear(
            "2.50 m | 2.40 m | 100 mm",
            "proposed at 2.5 − 0.15 − 0.1",
            room__length_m=6.0,
        ),
        blocked("1.50 m | 2.00 m | −500 mm", "put at 1.5, 2.0 is the nearest", layout__monitor_distance_m=1.5),
        unknown(
            "The least distance from the ball of Radar", radar__distance_min_m=None, layout__monitor_distance_m=2.0
        ),
    ],
    "monitor.beside": [
        clear("500 mm | 400 mm | 100 mm", "in the middle of 0.4 to 0.6: 0.1 from the near end", swap=[BESIDE]),
        tight(
            "700 mm | 650 mm | 50 mm",
            "ball 0.7 from the right wall, put at 0.5, 0.5 + 0.15 needed",
            swap=[BESIDE],
            layout__ball_x_m=3.9,
            layout__monitor_distance_m=0.5,
        ),
        blocked(
            "700 mm | 600 mm | −100 mm",
            "put at 0.7, 0.6 is the furthest",
            swap=[BESIDE],
            layout__monitor_distance_m=0.7,
        ),
        unknown(
            "The least distance from the ball of Monitor",
            swap=[BESIDE],
            layout__monitor_distance_m=0.5,
            monitor__distance_min_m=None,
        ),
    ],
    "monitor.overhead": [
        clear("2.96 m | 3.20 m | 240 mm", "ceiling 3.0 less 0.04 of mat; 0.24 under the highest", swap=[OVER]),
        tight(
            "2.54 m | 2.50 m | 40 mm",
            "2.58 less 0.04; 0.04 is under the comfort of 0.05",
            swap=[OVER],
            room__ceiling_m=2.58,
            room__things=(),
        ),
        blocked(
            "2.46 m | 2.50 m | −40 mm",
            "2.50 less 0.04 is 0.04 short",
            swap=[OVER],
            room__ceiling_m=2.50,
            room__things=(),
        ),
        unknown("The lowest mount of Monitor", swap=[OVER], monitor__mount_height_min_m=None),
    ],
    "monitor.flight": [
        clear("3.10 m | 2.40 m | 700 mm", "3.5 − 0.4 − 2.4"),
        tight("3.10 m | 3.00 m | 100 mm", "3.1 − 3.0, under 0.15", radar__flight_min_m=3.0),
        blocked("3.10 m | 3.60 m | −500 mm", "3.1 − 3.6", radar__flight_min_m=3.6),
        unknown("The flight that it needs of Radar", radar__flight_min_m=None),
    ],
    "monitor.hands": [
        clear("both hands, unmoved | both hands | –", "Ada right, Lin left, both served"),
        tight("both hands, moved across | both hands | –", "served, but carried over", radar__both_hands="moved"),
        blocked("right hand only | both hands | lacks Lin", "Lin is not served", radar__both_hands="no"),
        blocked(
            "right hand only | both hands | lacks visitors",
            "guests may play left-handed",
            radar__both_hands="no",
            brief__players=(worlds.player().model_dump(),),
            brief__visitors=True,
        ),
        unknown("The hands that it serves of Radar", radar__both_hands=None),
    ],
    "monitor.level": [
        clear("0 mm | 50 mm | 50 mm", "tiles and mat are 40 mm each"),
        tight("30 mm | 50 mm | 20 mm", "on a pad of 30 mm; half of 50 is the comfort", layout__monitor_pad_m=0.03),
        blocked("60 mm | 50 mm | −10 mm", "on a pad of 60 mm", layout__monitor_pad_m=0.06),
        unknown("The level tolerance of Radar", radar__level_tolerance_m=None),
    ],
    "monitor.ball_speed": [
        clear("90.0 m/s | 60.0 m/s | 30.0 m/s", "recreational: 60"),
        tight("62.0 m/s | 60.0 m/s | 2.0 m/s", "2 is under the comfort of 3", radar__ball_speed_max_m_s=62),
        blocked("55.0 m/s | 60.0 m/s | −5.0 m/s", "5 short", radar__ball_speed_max_m_s=55),
        unknown("The fastest ball that it reads of Radar", radar__ball_speed_max_m_s=None),
    ],
    "monitor.data": [
        clear(
            f"{ALL_WORDS} | {ALL_WORDS} | –",
            "all that is needed and wished is measured",
            radar__measures=ALL,
        ),
        tight(
            f"ball speed, launch angle, launch direction | {ROUNDS_WORDS} | –",
            "spin is only estimated",
            brief__purposes=FULL_ROUNDS,
        ),
        blocked(
            f"ball speed, launch angle | {ROUNDS_WORDS} | lacks launch direction",
            "no plan unlocks the launch direction that whole rounds need",
            brief__purposes=FULL_ROUNDS,
            radar__measures=("ball_speed", "launch_angle"),
        ),
        tight(
            "ball speed | ball speed, club path, face angle | lacks club path, face angle",
            "path and face would be liked, and no plan is held",
            brief__purposes={"swing_work": 5},
            radar__measures=("ball_speed",),
            radar__derives=(),
        ),
        clear(
            "ball speed, club path, face angle | ball speed, club path, face angle | –",
            "putts are the business of the one beside; the radar has all for swing work",
            radar__measures=("ball_speed", *CLUB),
            brief__purposes={"putting": 5, "swing_work": 5},
            beside=[(worlds.radar(id="spare", name="Spare", measures=("putting",)), "base")],
        ),
        tight(
            "ball speed | ball speed, club path, face angle | lacks club path, face angle",
            "the package works under a higher plan alone",
            brief__purposes={"swing_work": 5},
            radar__measures=("ball_speed",),
            radar__derives=(),
            beside=[package(unlocks=CLUB, needs_tier=1)],
        ),
        clear(
            "ball speed, club path, face angle | ball speed, club path, face angle | –",
            "the package works under any plan",
            brief__purposes={"swing_work": 5},
            radar__measures=("ball_speed",),
            beside=[package(unlocks=CLUB)],
        ),
        unknown("The data that it measures of Radar", radar__measures=None),
    ],
    "monitor.packages": [
        clear("none | none that is locked or adds nothing | –", "spin works from tier 0 on", beside=[package()]),
        clear(
            "none | none that is locked or adds nothing | –",
            "the package is for the monitor beside",
            beside=[package(monitors=("spare",)), (worlds.radar(id="spare", name="Spare"), "base")],
        ),
        clear(
            "none | none that is locked or adds nothing | –",
            "no monitor hangs yet, but the one beside",
            without=("monitor",),
            beside=[package(monitors=("spare",)), (worlds.radar(id="spare", name="Spare"), None)],
        ),
        tight(
            "Spin | none that is locked or adds nothing | –",
            "the monitor measures the speed of the ball itself",
            beside=[package(unlocks=("ball_speed",))],
        ),
        blocked(
            "Spin | none that is locked or adds nothing | –",
            "it works from tier 1 on, the base plan is 0; the full plan is enough",
            beside=[package(needs_tier=1)],
        ),
        blocked(
            "Spin | none that is locked or adds nothing | –", "no plan is of tier 9", beside=[package(needs_tier=9)]
        ),
        unknown("The least plan tier of Spin", beside=[package(needs_tier=None)]),
    ],
    "monitor.putting": [
        clear("reads putts | putts | –", "putting is measured", radar__measures=ALL),
        clear(
            "reads putts | putts | –",
            "the one beside measures putting",
            beside=[(worlds.radar(id="spare", name="Spare", measures=("putting",)), "base")],
        ),
        tight("no putts | putts | –", "putting weighs 3 and is not measured"),
        blocked("no putts | putts | –", "putting is a must", brief__purposes={"putting": 5}),
        unknown("The data that it measures of Radar", radar__measures=None),
    ],
    "monitor.platform": [
        clear("Wicket OS | Wicket OS | –", "its program is made for it"),
        tight(
            "Wicket OS | Slate OS | –",
            "it is not, but the software listens natively",
            radar__platforms=("Slate OS",),
        ),
        blocked(
            "Wicket OS | Slate OS | –",
            "the software listens through a connector, so the program has to run",
            radar__platforms=("Slate OS",),
            title__monitor_links=({"monitor": "radar", "via": "connector"},),
        ),
        unknown("The systems that it runs on of Radar", radar__platforms=None),
    ],
    "monitor.edition": [
        clear("1.0 years | 4.0 years | 3.0 years", "2025, and it is 2026"),
        tight("6.0 years | 4.0 years | 2.0 years over, tolerated", "2020", radar__edition_year=2020),
        tight(
            "until 2025 | kept up to date | –",
            "2024, but support ended in 2025; the plan is free",
            radar__edition_year=2024,
            radar__supported_until=2025,
        ),
        blocked(
            "until 2025 | kept up to date | –",
            "the same, under a plan that is paid for",
            radar__edition_year=2024,
            radar__supported_until=2025,
            hung_monitor__plan="full",
        ),
        unknown("The year of its edition of Radar", radar__edition_year=None),
    ],
    "monitor.portable": [
        clear("carried | carried | –", "the bay is packed away, and it can be carried"),
        clear("stays | either | –", "it stays, and so does the bay", radar__portable=False, brief__packed_away=False),
        tight(
            "stays | carried | –",
            "the bay is packed away, and it stays in the way",
            radar__portable=False,
            layout__stays_up=("monitor",),
        ),
        blocked("stays | carried | –", "it is put away after every play", radar__portable=False),
        unknown("The fitness to be carried of Radar", radar__portable=None),
    ],
    "monitor.slow_balls": [
        clear("1.0 m/s | 1.5 m/s | 0.5 m/s", "√(2 · 0.55 · 2) = 1.48, told as 1.5", radar__ball_speed_min_m_s=1),
        clear("5.0 m/s | 8.0 m/s | 3.0 m/s", "no putts wanted, a chip is 8", brief__purposes={"full_rounds": 5}),
        tight("5.0 m/s | 1.5 m/s | 3.5 m/s over, tolerated", "putting weighs 3, and it reads from 5 on"),
        blocked("5.0 m/s | 1.5 m/s | −3.5 m/s", "putting is a must", brief__purposes={"putting": 5}),
        unknown("The slowest ball that it reads of Radar", radar__ball_speed_min_m_s=None),
    ],
    "monitor.room": [
        clear("3.00 m | 2.60 m | 400 mm", "height has the least to spare: 3.0 − 2.6; width 1.6, length 2.0"),
        tight("3.00 m | 2.98 m | 20 mm", "20 mm, under 50", radar__room_height_min_m=2.98),
        blocked("7.00 m | 7.50 m | −500 mm", "length is 0.5 short", radar__room_length_min_m=7.5),
        unknown("The least width of the room of Radar", radar__room_width_min_m=None),
    ],
    "monitor.interference": [
        clear("none | none | –", "two players, no heater, no fan"),
        tight(
            "Oil | none | –",
            "an oil radiator is a heater that moves no air",
            beside=[extra("heater", "Oil", method="oil")],
        ),
        tight(
            "Box | none | –",
            "a wireless speaker is another radio",
            radar__dislikes=("radio",),
            beside=[extra("speaker", "Box", wireless=True)],
        ),
        blocked(
            "Blower | none | –",
            "a fan heater near a radar behind the ball",
            beside=[extra("heater", "Blower", method="fan")],
        ),
        tight(
            "daylight | none | –",
            "an open door beside a camera",
            swap=[BESIDE.model_copy(update={"dislikes": (Disturbance.SUNLIGHT,)})],
            room__light="open_door",
        ),
        tight(
            "daylight | none | –",
            "nobody says how light it is, and nothing covers the window",
            swap=[BESIDE.model_copy(update={"dislikes": (Disturbance.SUNLIGHT,)})],
            room__light=None,
            room__openings=({**WINDOW, "cover": "nothing"},),
        ),
        unknown(
            "What is drawn before pane",
            swap=[BESIDE.model_copy(update={"dislikes": (Disturbance.SUNLIGHT,)})],
            room__light=None,
            room__openings=({**WINDOW, "cover": None},),
        ),
        tight("spectators | none | –", "visitors walk about", radar__dislikes=("people",), brief__visitors=True),
        tight("none | none | –", "its maker does not say what it dislikes", radar__dislikes=None),
        unknown("The way of heating of Stove", beside=[extra("heater", "Stove")]),
    ],
    "monitor.link": [
        clear("Wi-Fi, Bluetooth, USB, network cable | Wi-Fi, USB | –", "Wi-Fi and USB are shared"),
        tight("network cable | Wi-Fi, USB | –", "nothing is shared", computer__links=("network",)),
        blocked(
            "network cable | none | –",
            "the monitor speaks nothing",
            computer__links=("network",),
            radar__links=(),
        ),
        unknown("The links of Radar", radar__links=None),
    ],
    "monitor.signal": [
        clear("by cable | good, or by cable | –", "USB is shared and needs no test"),
        tight("not tested | good, or by cable | –", "only Wi-Fi, not tested", radar__links=("wifi",)),
        blocked("weak | good, or by cable | –", "tested and weak", hung_monitor__signal="weak"),
        unknown("The links of Tower", computer__links=None),
    ],
    "monitor.power": [
        clear("4 h | 2 h | 2 h", "two hours to spare"),
        tight("2 h | 2 h | 0 h", "just a session", radar__battery_hours=2),
        blocked("1 h | 2 h | −1 h", "an hour short", radar__battery_hours=1),
        unknown("The battery life of Radar", radar__battery_hours=None),
    ],
    "monitor.lamp": [
        clear("needs none | nothing | –", "wants no light"),
        tight("none chosen yet | a steady lamp on the ball | –", "wants light, no lamp", radar__wants_lamp=True),
        blocked(
            "flicker | no flicker | –",
            "the lamp that is chosen pulses",
            radar__wants_lamp=True,
            beside=[extra("lamp", "Tube", lights="ball", flickers=True)],
        ),
        unknown("The need for a lamp on the ball of Radar", radar__wants_lamp=None),
    ],
    "monitor.balls": [
        clear("any hard ball | any hard ball | –", "reads any ball"),
        tight("none chosen yet | marked balls | –", "better with a mark, none chosen", radar__marked_ball="better"),
        blocked(
            "no mark | mark | –",
            "needs a mark, plain ones chosen",
            radar__marked_ball="needed",
            beside=[extra("balls", "Plain", marked=False, soft=False)],
        ),
        clear(
            "no softness | no softness | –",
            "plain ones and marked ones are there",
            radar__marked_ball="needed",
            beside=[
                extra("balls", "Plain", marked=False, soft=False),
                extra("balls", "Marked", marked=True, soft=False),
            ],
        ),
        blocked("softness | no softness | –", "felt", beside=[extra("balls", "Felt", marked=False, soft=True)]),
        unknown("The softness of Plain", beside=[extra("balls", "Plain", marked=False)]),
        unknown("The need for marked balls of Radar", radar__marked_ball=None),
    ],
    "monitor.case": [
        clear(
            "Steel | a case made for it | –",
            "a case made for it is chosen",
            swap=[BESIDE],
            beside=[extra("case", "Steel", monitors=("monitor",))],
        ),
        tight("none chosen yet | a case made for it | –", "none in the box, none chosen", swap=[BESIDE]),
        blocked(
            "Steel | a case made for it | –",
            "the case that is chosen is for another",
            swap=[BESIDE],
            beside=[extra("case", "Steel", monitors=("other",))],
        ),
        unknown("The case in the box of Monitor", swap=[BESIDE], monitor__case_included=None),
    ],
    "monitor.drilling": [
        clear("drilling allowed | fixings in the ceiling | –", "the home allows it", swap=[OVER]),
        tight(
            "drilling allowed | fixings in the ceiling | –",
            "a rented home does, and the holes are made good",
            swap=[OVER],
            brief__rented=True,
        ),
        blocked(
            "no drilling | fixings in the ceiling | –",
            "a rented home does not",
            swap=[OVER],
            brief__may_drill=False,
        ),
        unknown("Whether walls and ceiling may be drilled", swap=[OVER], brief__may_drill=None),
    ],
    "monitor.subscription": [
        clear("free | any licence | –", "the base plan is free"),
        tight(
            "yearly | no subscription | –",
            "a yearly plan against the wish",
            hung_monitor__plan="full",
            brief__subscriptions="rather_not",
        ),
        blocked(
            "yearly | no subscription | –",
            "a yearly plan, and never one",
            hung_monitor__plan="full",
            brief__subscriptions="never",
        ),
        unknown("What you think of subscriptions", hung_monitor__plan="full", brief__subscriptions=None),
    ],
}
