"""Software, machine, displays and their cables."""

from core.model.parts import DeskMonitor, MonitorLink, Part, Tablet, Title, TitlePlan
from tests.core import worlds
from tests.core.matrix.case import Case, blocked, clear, extra, tight, unknown

PLAN = worlds.title().plans[0].model_dump()


def plans(**facts: object) -> tuple[TitlePlan, ...]:
    """The software's one plan with other facts."""
    return (TitlePlan.model_validate({**PLAN, **facts}),)


def radar_plans(**facts: object) -> tuple[dict[str, object], ...]:
    """The monitor's two plans, the base one with other facts."""
    base, full = (plan.model_dump() for plan in worlds.radar().plans)
    return ({**base, **facts}, full)


def second_title(**facts: object) -> Title:
    """Software beside the one on the chain."""
    return worlds.title(**{"id": "second", "name": "Second", **facts})


def free_of_charge(kind: str, name: str, **facts: object) -> Part:
    """An add-on at nothing."""
    return extra(kind, name, price=worlds.price(0), **facts)


DESK = DeskMonitor(
    id="desk", maker="Maker", name="Desk", width_px=1280, height_px=1024, inputs=("vga",), power_w=25, weight_kg=3
)
TABLET = Tablet.model_validate(
    {**worlds.computer().model_dump(exclude={"kind"}), "id": "tablet", "name": "Slate", "outputs": ("usb_c",)}
)
ANY_PORT = "HDMI, DisplayPort"

ROWS: dict[str, list[Case]] = {
    "parts.used": [
        clear(
            "3.0 years | 10.0 years | 7.0 years",
            "a display of 2023, with a warranty",
            hung_display__used=True,
            hung_display__new_in=2023,
            hung_display__warranty_until="2027-05-01",
        ),
        tight(
            "6.0 years | 10.0 years | 4.0 years",
            "past half of its time",
            hung_display__used=True,
            hung_display__new_in=2020,
            hung_display__warranty_until="2027-05-01",
        ),
        tight(
            "no warranty | a warranty | –",
            "young, but nobody answers for it",
            hung_display__used=True,
            hung_display__new_in=2025,
            hung_display__warranty_until="2026-05-01",
        ),
        tight(
            "12.0 years | 10.0 years | 2.0 years over, tolerated",
            "one's own is used until it breaks",
            hung_display__owned=True,
            hung_display__new_in=2014,
        ),
        blocked(
            "12.0 years | 10.0 years | −2.0 years",
            "past its time",
            hung_display__used=True,
            hung_display__new_in=2014,
        ),
        unknown("The year in which Lamp was new", hung_display__used=True),
    ],
    "title.monitor": [
        clear("tier 0 | tier 0 | 0 tiers", "native, asks no plan"),
        tight(
            "connector | native | –",
            "through a connector",
            title__monitor_links=(MonitorLink(monitor="radar", via="connector"),),
        ),
        blocked(
            "tier 0 | tier 2 | 2 tiers too low",
            "asks tier 2, the base plan is 0",
            title__monitor_links=(MonitorLink(monitor="radar", tier=2),),
        ),
        blocked("no link | native or connector | –", "it listens to no monitor", title__monitor_links=()),
        unknown("The monitors that it listens to of Rounds", title__monitor_links=None),
    ],
    "title.licences": [
        clear("€900.00 | €900.00 | €0.00", "5 × 12 × 15, the base plan is free"),
        clear(
            "€900.00 | €900.00 | €0.00",
            "no yearly cap: fees are held against nothing but the least",
            brief__yearly_cap_minor=None,
        ),
        clear(
            "€1,900.00 | €1,900.00 | €0.00",
            "swing work would like the path and face that the full plan unlocks",
            hung_monitor__plan="full",
            brief__purposes={"swing_work": 5},
            brief__yearly_cap_minor=100_000,
        ),
        clear(
            "€1,900.00 | €1,900.00 | €0.00",
            "nobody has said what for",
            hung_monitor__plan="full",
            brief__purposes={},
            brief__courses_wanted=(),
            brief__yearly_cap_minor=100_000,
        ),
        clear(
            "€1,000.00 | €1,000.00 | €0.00",
            "the full plan brings the software along: 5 × 200 against 5 × 180 and a package of 450",
            hung_monitor__plan="full",
            radar__plans=(
                *radar_plans()[:1],
                {**radar_plans()[1], "bundled_titles": ("title",)},
            ),
            brief__purposes={"swing_work": 5},
        ),
        tight(
            "€1,900.00 | €900.00 | €1,000.00 over, tolerated",
            "rounds want speed and direction, which the base plan has",
            hung_monitor__plan="full",
            brief__purposes={"full_rounds": 5},
            brief__yearly_cap_minor=100_000,
        ),
        tight(
            "€945.00 | €900.00 | €45.00 over, tolerated",
            "a package for 45 unlocks nothing that anybody wants",
            beside=[
                extra(
                    "monitor_package",
                    "Speed",
                    price=worlds.price(45),
                    monitors=("radar",),
                    unlocks=("ball_speed",),
                    needs_tier=0,
                )
            ],
        ),
        blocked(
            "€380.00 | €300.00 | −€80.00",
            "15 × 12 + 200 a year, over the cap that the base plan keeps",
            hung_monitor__plan="full",
            brief__purposes={"full_rounds": 5},
        ),
        unknown("The price in plan Monthly of Rounds", title__plans=plans(price=None)),
        unknown("Which plan of Rounds is taken", hung_title__plan=None),
        unknown(
            "The price in plan Yearly of Rounds",
            title__plans=(*plans(), *plans(id="yearly", name="Yearly", price=None)),
        ),
        unknown(
            "Whether another set of licences costs less",
            beside=[
                *(free_of_charge("monitor_package", f"Data {n}", monitors=("radar",), needs_tier=0) for n in range(4)),
                *(free_of_charge("course_pack", f"Pack {n}", titles=("title",), courses=1) for n in range(4)),
            ],
        ),
    ],
    "title.further": [
        clear(
            "none | none | –",
            "the second one hears the radar natively",
            beside=[(second_title(), "monthly")],
        ),
        clear("none | none | –", "a plan is chosen later", beside=[(second_title(), None)]),
        clear(
            "none | none | –",
            "it hears a second monitor",
            beside=[
                (second_title(monitor_links=(MonitorLink(monitor="spare"),)), "monthly"),
                (worlds.radar(id="spare", name="Spare"), "base"),
            ],
        ),
        clear(
            "none | none | –",
            "no monitor hangs, and it hears the one beside",
            without=("monitor",),
            beside=[
                (second_title(monitor_links=(MonitorLink(monitor="spare"),)), "monthly"),
                (worlds.radar(id="spare", name="Spare"), None),
            ],
        ),
        tight(
            "Second | none | –",
            "through a connector",
            beside=[(second_title(monitor_links=(MonitorLink(monitor="radar", via="connector"),)), "monthly")],
        ),
        blocked(
            "Second | none | –",
            "it asks tier 2, the base plan is 0",
            beside=[(second_title(monitor_links=(MonitorLink(monitor="radar", tier=2),)), "monthly")],
        ),
        unknown("The monitors that it listens to of Second", beside=[(second_title(monitor_links=None), "monthly")]),
    ],
    "title.courses": [
        clear("40 courses | 1 course | 39 courses", "forty come with it"),
        clear(
            "12 courses | 1 course | 11 courses",
            "none in the plan, twelve in a pack made for it, five in one that is not",
            title__plans=plans(courses=0),
            beside=[
                extra("course_pack", "Links", titles=("title",), courses=12),
                extra("course_pack", "Other", titles=("another",), courses=5),
            ],
        ),
        clear(
            "12 courses | 1 course | 11 courses",
            "none in the plan, twelve in that of the software beside it",
            title__plans=plans(courses=0),
            beside=[(second_title(plans=plans(courses=12)), "monthly"), (second_title(id="third"), None)],
        ),
        tight(
            "0 courses | 1 course | none there, tolerated",
            "none, and full rounds weigh 3",
            title__plans=plans(courses=0),
            brief__purposes={"full_rounds": 3},
        ),
        blocked(
            "0 courses | 1 course | none there", "none, and full rounds weigh 5, a must", title__plans=plans(courses=0)
        ),
        unknown("The number of courses in plan Monthly of Rounds", title__plans=plans(courses=None)),
    ],
    "title.wished_courses": [
        clear(
            "2 of 2 courses | all courses on the wish list | –",
            "both come with the plan, however they are written",
            title__plans=plans(course_names=("Old Quarry", "Heron Spit", "Low Ferry")),
            brief__courses_wanted=("old quarry", "Heron Spit"),
        ),
        clear(
            "2 of 2 courses | all courses on the wish list | –",
            "one in a pack made for it, one sold by itself",
            title__plans=plans(course_names=(), courses_sold_singly=("Low Ferry",), course_price=worlds.price(9)),
            brief__courses_wanted=("Old Quarry", "Low Ferry"),
            beside=[extra("course_pack", titles=("title",), courses=2, course_names=("Old Quarry",))],
        ),
        clear(
            "3 of 3 courses | all courses on the wish list | –",
            "one with the plan of the software beside it, one sold by itself for that, one in a pack for that",
            title__plans=plans(course_names=(), courses_sold_singly=()),
            brief__courses_wanted=("Old Quarry", "Low Ferry", "Heron Spit"),
            beside=[
                (second_title(), "monthly"),
                extra("course_pack", titles=("second",), courses=1, course_names=("Heron Spit",)),
            ],
        ),
        tight(
            "1 of 2 courses | all courses on the wish list | –",
            "the pack is other software's",
            title__plans=plans(course_names=("Low Ferry",)),
            brief__courses_wanted=("Old Quarry", "Low Ferry"),
            beside=[extra("course_pack", titles=("other",), courses=2, course_names=("Old Quarry",))],
        ),
        tight(
            "0 of 2 courses | all courses on the wish list | –",
            "neither is there: one is sold by itself, and nobody says for how much",
            title__plans=plans(course_names=(), courses_sold_singly=("Low Ferry",), course_price=None),
            brief__courses_wanted=("Old Quarry", "Low Ferry"),
            brief__purposes={"full_rounds": 3},
        ),
        blocked(
            "0 of 1 courses | all courses on the wish list | –",
            "whole rounds are a must, and it is not there",
            title__plans=plans(course_names=("Low Ferry",)),
            brief__courses_wanted=("Old Quarry",),
            brief__purposes={"full_rounds": 5},
        ),
        unknown(
            "The names of courses in plan Monthly of Rounds",
            title__plans=plans(course_names=None),
            brief__courses_wanted=("Old Quarry",),
        ),
        unknown(
            "The names of courses of Links",
            title__plans=plans(course_names=()),
            brief__courses_wanted=("Old Quarry",),
            beside=[extra("course_pack", "Links", titles=("title",), courses=2)],
        ),
    ],
    "title.features": [
        clear(
            "range, skills games, children's games, putting, coaching | range, putting | –",
            "range for swing work, putting for putts",
        ),
        clear(
            "range, putting | range, putting | –",
            "the pack brings putting",
            title__plans=plans(features=("range",)),
            beside=[extra("course_pack", titles=("title",), features=("putting",))],
        ),
        clear(
            "range, putting | range, putting | –",
            "the software beside it has putting",
            title__plans=plans(features=("range",)),
            beside=[(second_title(plans=plans(features=("putting",))), "monthly"), (second_title(id="third"), None)],
        ),
        tight("range | range, putting | lacks putting", "putting is missing", title__plans=plans(features=("range",))),
        tight(
            "range | range, putting | lacks putting",
            "the pack is other software's",
            title__plans=plans(features=("range",)),
            beside=[extra("course_pack", titles=("other",), features=("putting",))],
        ),
        blocked(
            "tournaments | range, putting | lacks range, putting",
            "nothing wanted is there, in no plan",
            title__plans=plans(features=("tournaments",)),
        ),
        unknown("The features in plan Monthly of Rounds", title__plans=plans(features=None)),
    ],
    "title.later_versions": [
        clear("included | included | –", "a subscription brings them along"),
        tight(
            "not included | included | –",
            "paid once, stops today",
            title__plans=plans(billing="once", later_versions=False),
        ),
        tight(
            "not included | included | –",
            "stops at version 5, and the link came in 5",
            title__plans=plans(billing="once", later_versions=False, version=5),
            title__monitor_links=(MonitorLink(monitor="radar", from_version=5),),
        ),
        blocked(
            "not included | included | –",
            "stops at version 4, and the link came in 5",
            title__plans=plans(billing="once", later_versions=False, version=4),
            title__monitor_links=(MonitorLink(monitor="radar", from_version=5),),
        ),
        unknown(
            "The version that it stops at in plan Monthly of Rounds",
            title__plans=plans(billing="once", later_versions=False),
            title__monitor_links=(MonitorLink(monitor="radar", from_version=5),),
        ),
        unknown(
            "The later versions in plan Monthly of Rounds", title__plans=plans(billing="once", later_versions=None)
        ),
    ],
    "title.online": [
        clear("Wi-Fi, Bluetooth, USB, network cable | Wi-Fi or network cable | –", "the tower has both"),
        tight("USB | Wi-Fi or network cable | –", "better with, and there is none", computer__links=("usb",)),
        blocked(
            "USB | Wi-Fi or network cable | –",
            "needed, and there is none",
            computer__links=("usb",),
            title__online="needed",
        ),
        unknown("The need for a connection of Rounds", title__online=None),
    ],
    "title.packs": [
        clear("none | none astray | –", "no pack at all"),
        blocked(
            "Links | none astray | –",
            "made for other software",
            beside=[extra("course_pack", "Links", titles=("other",))],
        ),
        tight(
            "Bridge | none astray | –",
            "a connector, and the software listens natively",
            beside=[extra("connector", "Bridge", titles=("title",), monitors=("radar",))],
        ),
        clear(
            "none | none astray | –",
            "each is made for what stands beside the chain",
            beside=[
                (second_title(), "monthly"),
                (worlds.radar(id="spare", name="Spare"), "base"),
                extra("course_pack", "Links", titles=("second",)),
                extra("connector", "Bridge", titles=("second",), monitors=("spare",)),
                extra("monitor_package", "Spin", monitors=("spare",)),
            ],
        ),
        clear(
            "none | none astray | –",
            "without a monitor no package is for another",
            without=("monitor",),
            beside=[extra("monitor_package", "Spin", monitors=("other",))],
        ),
        unknown("The software that it is made for of Links", beside=[extra("course_pack", "Links")]),
    ],
    "title.subscription": [
        clear("monthly | any licence | –", "a subscription is fine"),
        tight("monthly | no subscription | –", "rather not", brief__subscriptions="rather_not"),
        blocked("monthly | no subscription | –", "never", brief__subscriptions="never"),
        unknown("What you think of subscriptions", brief__subscriptions=None),
    ],
    "machine.platform": [
        clear("Wicket OS | Wicket OS | –", "the software is made for it"),
        tight("Wicket OS | Wicket OS | –", "but it does less there", title__limited_on=("Wicket OS",)),
        blocked("Heron Linux | Wicket OS | –", "it is not", computer__platform="Heron Linux"),
        unknown("The operating system of Tower", computer__platform=None),
    ],
    "machine.spec": [
        clear("class 6 | class 4 | 2 classes", "graphics 6 of 6 recommended, the nearest line"),
        tight("class 5 | class 4 | 1 classes", "between 4 and 6", computer__graphics_grade=5),
        blocked("class 3 | class 4 | one class too low", "under 4", computer__graphics_grade=3),
        unknown("What Rounds asks of a machine", title__machine_needs=()),
        blocked(
            "8 GB | 16 GB | −8 GB",
            "the usual least, beside software that says nothing",
            title__machine_needs=(),
            computer__memory_gb=8,
        ),
        unknown("The class of its graphics of Tower", computer__graphics_grade=None),
    ],
    "machine.plugs": [
        clear(f"{ANY_PORT} | HDMI | –", "HDMI is on both"),
        tight(f"{ANY_PORT} | VGA | –", "no plug is on both", projector__inputs=("vga",)),
        blocked("no video output | HDMI | –", "no output at all", computer__outputs=()),
        clear(
            f"DisplayPort | {ANY_PORT} | –",
            "an adapter from DisplayPort",
            projector__inputs=("vga",),
            beside=[extra("adapter", "Joint", from_port="displayport", to_port="vga")],
        ),
        unknown("The video outputs of Tower", computer__outputs=None),
    ],
    "machine.outputs": [
        clear("2 pieces | 1 piece | 1 piece", "two outputs, one display"),
        tight(
            "1 piece | 2 pieces | one short, tolerated",
            "one output, a desk monitor besides",
            computer__outputs=("hdmi",),
            beside=[DESK],
        ),
        blocked("0 pieces | 1 piece | one short", "no output", computer__outputs=()),
        unknown("The video outputs of Tower", computer__outputs=None),
    ],
    "machine.usb": [
        clear("4 pieces | 0 pieces | 4 pieces", "four sockets, nothing plugged in"),
        tight(
            "1 piece | 2 pieces | one short, tolerated",
            "two cameras, and one socket",
            computer__usb_ports=1,
            beside=[extra("camera", "Front", link="usb"), extra("camera", "Rear", link="usb")],
        ),
        blocked(
            "0 pieces | 1 piece | one short",
            "a camera, and no socket for a hub either",
            computer__usb_ports=0,
            beside=[extra("camera", link="usb")],
        ),
        clear("4 pieces | 1 piece | 3 pieces", "a monitor on its USB cable", radar__links=("usb",)),
        unknown(
            "The link of Front",
            computer__usb_ports=1,
            beside=[extra("camera", "Front"), extra("camera", "Rear", link="usb")],
        ),
        unknown("The links of Radar", computer__usb_ports=0, radar__links=None),
        unknown("The USB sockets of Tower", computer__usb_ports=None),
    ],
    "machine.place": [
        clear("0 mm | 0 mm | 0 mm", "proposed level with the ball"),
        tight("−1.50 m | 0 mm | 1.50 m short, tolerated", "at 2.0 of 3.5", layout__machine_y_m=2.0),
        blocked("−1.00 m | 0 mm | −1.00 m", "at 8.0 in a room of 7.0", layout__machine_y_m=8.0),
        blocked(
            "−210 mm | 300 mm | −510 mm",
            "by the dense sampler: 0.508 left of the ball, 1.394 behind it, on a desk of 0.75 in the swing",
            layout__machine_x_m=1.792,
            layout__machine_y_m=4.894,
        ),
        blocked(
            "−450 mm | 0 mm | −450 mm",
            "at Ada's feet, 0.983 left of the ball: all of its 0.45",
            layout__machine_x_m=1.317,
            layout__machine_y_m=3.5,
        ),
        unknown("Who will swing here", brief__players=()),
    ],
    "machine.mirror": [
        clear("60 ms | 999 ms | 939 ms", "40 under the limit", swap=[TABLET], tablet__mirror_delay_ms=60),
        tight("140 ms | 999 ms | 859 ms", "40 over it", swap=[TABLET], tablet__mirror_delay_ms=140),
        blocked("1,200 ms | 999 ms | −201 ms", "over a second", swap=[TABLET], tablet__mirror_delay_ms=1200),
        unknown("The mirroring delay in ms of Slate", swap=[TABLET]),
    ],
    "picture.lines": [
        clear("1,080 lines | 1,080 lines | 0 lines", "software and tower do 2160, the projector shows 1080"),
        tight(
            "720 lines | 1,080 lines | 360 lines short, tolerated", "the tower sends 720", computer__output_lines=720
        ),
        blocked("0 lines | 1,080 lines | −1,080 lines", "no video output", computer__output_lines=0),
        unknown("The lines that it sends of Tower", computer__output_lines=None),
    ],
    "display.stage": [
        clear("projector | projector | –", "a projected simulator"),
        blocked("television | projector | –", "a desk monitor cannot be struck", swap=[DESK]),
        clear(
            "television | television that can be read | –",
            "0.70 wide, 3.1 / 5 = 0.62",
            swap=[DESK],
            desk__width_m=0.7,
            brief__stage="tablet",
        ),
        tight(
            "400 mm | 620 mm | 220 mm short, tolerated",
            "0.40 wide, 3.1 / 5 = 0.62",
            swap=[DESK],
            desk__width_m=0.4,
            brief__stage="tablet",
        ),
        tight(
            "projector | television that can be read | –",
            "more than a tablet's stage asks",
            brief__stage="tablet",
        ),
        unknown("The width of Desk", swap=[DESK], brief__stage="tablet"),
    ],
    "display.drilling": [
        clear("drilling allowed | fixings in the ceiling | –", "the home allows it"),
        tight("drilling allowed | fixings in the ceiling | –", "a rented home does", brief__rented=True),
        blocked("no drilling | fixings in the ceiling | –", "it does not", brief__may_drill=False),
        unknown("Whether walls and ceiling may be drilled", brief__may_drill=None),
    ],
    "display.light_source": [
        clear("96.2 years | 5.0 years | 91.2 years", "20,000 / (4 × 52) = 96.15"),
        tight("4.8 years | 5.0 years | 0.2 years short, tolerated", "1,000 / 208 = 4.81", projector__light_hours=1000),
        tight(
            "4.8 years | 5.0 years | 0.2 years short, tolerated",
            "3,000 less 2,000 that it has run",
            projector__light_hours=3000,
            hung_display__used_hours=2000,
        ),
        blocked(
            "4.8 years | 5.0 years | −0.2 years",
            "the same, and a laser is built in",
            projector__light_hours=1000,
            projector__light="laser",
        ),
        unknown("The kind of light source of Lamp", projector__light_hours=1000, projector__light=None),
        unknown("The life of the light source of Lamp", projector__light_hours=None),
    ],
    "display.mount": [
        clear(
            "10.0 kg | 4.0 kg | 6.0 kg",
            "10 − 4, a quarter of 4 is 1",
            beside=[extra("mount", holds="projector", load_kg=10)],
        ),
        tight(
            "4.5 kg | 4.0 kg | 0.5 kg",
            "half a kilogram, a whole one is comfortable",
            beside=[extra("mount", holds="projector", load_kg=4.5)],
        ),
        blocked("3.0 kg | 4.0 kg | −1.0 kg", "a kilogram short", beside=[extra("mount", holds="projector", load_kg=3)]),
        unknown("The weight of Lamp", projector__weight_kg=None),
    ],
    "display.drop": [
        clear(
            "500 mm | 805 mm | 305 mm",
            "3.0 − 2.195 = 0.805; 0.5 to 1.5",
            beside=[extra("mount", holds="projector", drop_min_m=0.5, drop_max_m=1.5)],
        ),
        tight("none chosen yet | 805 mm | –", "no mount is chosen yet"),
        tight(
            "785 mm | 805 mm | 20 mm short, tolerated",
            "washers make up for 20 mm",
            beside=[extra("mount", holds="projector", drop_min_m=0.5, drop_max_m=0.785)],
        ),
        blocked(
            "784 mm | 805 mm | −21 mm",
            "and for no more",
            beside=[extra("mount", holds="projector", drop_min_m=0.5, drop_max_m=0.784)],
        ),
        blocked(
            "300 mm | 805 mm | −505 mm",
            "0.1 to 0.3 does not reach",
            beside=[extra("mount", holds="projector", drop_min_m=0.1, drop_max_m=0.3)],
        ),
        unknown("The shortest drop of mount", beside=[extra("mount", holds="projector")]),
    ],
    "display.cable": [
        clear(
            "HDMI | HDMI | –",
            "1.45 + 0.465 + 2.3 + 0.805 + … = 5.82 of way × 1.1 + 1.0",
            beside=[extra("video_cable", length_m=10, lines_max=2160, technology="active", plug="hdmi")],
        ),
        tight("none chosen yet | 7.402 m | –", "none chosen yet"),
        blocked(
            "5.00 m | 7.402 m | −2.402 m",
            "2.4 too short",
            beside=[extra("video_cable", length_m=5, lines_max=2160, technology="passive", plug="hdmi")],
        ),
        unknown("The length of video_cable", beside=[extra("video_cable")]),
    ],
    "display.second": [
        clear("none | none, or 1,080 lines | –", "no second display"),
        tight("1,024 lines | 720 lines | 304 lines", "1024 − 1080", beside=[DESK]),
        blocked(
            "480 lines | 720 lines | −240 lines",
            "under 720",
            beside=[extra("television", "Old", width_px=640, height_px=480)],
        ),
        unknown("The lines of the panel of Side", beside=[extra("television", "Side")]),
    ],
}
