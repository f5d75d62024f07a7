"""Small worlds for tests: a room, players and one part for each place, every fact stated."""

from typing import Any, TypeVar

from core.bay import Hood, hood_solids
from core.checks.laid_floor import LaidFloor
from core.checks.leads import OutletsMissing
from core.checks.readings import BallPlaces, HittingSurface, ball_places
from core.checks.works import Works, works
from core.geometry.ball_rules import BallRoom
from core.geometry.ceiling import ceiling_of
from core.geometry.solids import stored_solids, thing_solids
from core.geometry.surroundings import Surroundings
from core.model.brief import Brief, Player
from core.model.build import Build
from core.model.chain import Chain
from core.model.kit import Beside
from core.model.parts import (
    Computer,
    Enclosure,
    FloorTiles,
    HittingMat,
    HittingStrip,
    ImpactScreen,
    LaunchMonitor,
    MachineNeeds,
    MaskingCloth,
    MonitorLink,
    MonitorPlan,
    Padding,
    Part,
    Price,
    Projector,
    RearRadar,
    ResolutionNeeds,
    SideProtection,
    Title,
    TitlePlan,
)
from core.model.room import Layout, Room
from core.model.things import Looked, Stored, Thing

M = TypeVar("M", bound=LaunchMonitor)
BARE_FLOOR = HittingSurface(0.0, 0.0)


def price(euros: float, currency: str = "EUR", tax_included: bool = True) -> Price:
    return Price(minor=round(euros * 100), currency=currency, tax_included=tax_included)


def player(name: str = "Ada", /, **facts: Any) -> Player:
    return Player.model_validate({"id": name.lower(), "name": name, "height_m": 1.80, **facts})


def left_hander(name: str = "Lin", /, **facts: Any) -> Player:
    return player(name, handedness="left", **facts)


def room(**facts: Any) -> Room:
    """Measured, with nothing in the way and no joists; for windows, doors and sockets nobody has looked."""
    looked = {"guessed": (), "none_of": (Looked.THINGS, Looked.JOISTS), "light": "dim"}
    return Room.model_validate({"width_m": 4.6, "length_m": 7.0, "ceiling_m": 3.0, **looked, **facts})


def thing(**facts: Any) -> Thing:
    """A beam under the ceiling, 0.20 high and 0.15 long, across the room at 3.4 m."""
    return Thing.model_validate(
        {
            "id": "beam",
            "kind": "beam",
            "name": "beam",
            "x_m": 0.0,
            "y_m": 3.4,
            "z_m": 2.8,
            "width_m": 4.6,
            "length_m": 0.15,
            "height_m": 0.2,
            "fixed_to": "ceiling",
            **facts,
        }
    )


def door(**facts: Any) -> dict[str, Any]:
    """A door 0.90 m wide in the rear wall that opens into the room, hinged toward the left wall."""
    return {
        "id": "door",
        "kind": "door",
        "name": "door",
        "wall": "rear",
        "along_m": 1.0,
        "width_m": 0.9,
        "height_m": 2.0,
        **facts,
    }


def stored(**facts: Any) -> Stored:
    """A dinghy on its trolley, along the left wall in the rear."""
    return Stored.model_validate(
        {
            "id": "dinghy",
            "kind": "boat",
            "name": "dinghy",
            "x_m": 0.0,
            "y_m": 2.8,
            "width_m": 1.5,
            "length_m": 4.2,
            "height_m": 1.4,
            **facts,
        }
    )


def layout(**facts: Any) -> Layout:
    return Layout.model_validate({"ball_x_m": 2.3, "ball_y_m": 3.5, "screen_y_m": 0.4, "mat_lies": "let_in", **facts})


def places(**facts: Any) -> BallPlaces:
    """Where the balls lie in `layout` of these facts."""
    return ball_places(layout(**facts))


def around(
    where: Room, placed: Layout, *players: Player, surface_m: float = 0.0, hood: Hood | None = None
) -> Surroundings:
    """What the swings of `players` must keep clear of in a room."""
    return Surroundings(
        room=BallRoom(where.width_m, where.length_m, ceiling_of(where), surface_m),
        ball=(placed.ball_x_m, placed.ball_y_m, surface_m),
        players=players,
        things=(*thing_solids(where), *stored_solids(where, playing=True)),
        panels=hood_solids(hood, placed.screen_y_m, where.width_m / 2) if hood else (),
    )


def radar(**facts: Any) -> RearRadar:
    return RearRadar.model_validate(
        {
            "id": "radar",
            "maker": "Maker",
            "name": "Radar",
            "price": price(500),
            "both_hands": "unmoved",
            "ball_speed_min_m_s": 5,
            "ball_speed_max_m_s": 90,
            "level_tolerance_m": 0.05,
            "distance_min_m": 2.0,
            "distance_max_m": 2.6,
            "flight_min_m": 2.4,
            "power_w": 10,
            "measures": ("ball_speed", "launch_angle", "launch_direction", "carry", "club_speed"),
            "derives": ("spin_rate", "spin_axis"),
            "links": ("wifi", "usb"),
            "platforms": ("Wicket OS",),
            "marked_ball": "no",
            "dislikes": ("fan", "heater", "people"),
            "battery_hours": 4,
            "room_width_min_m": 3.0,
            "room_length_min_m": 5.0,
            "room_height_min_m": 2.6,
            "wants_lamp": False,
            "portable": True,
            "case_included": False,
            "edition_year": 2025,
            "plans": (
                MonitorPlan(id="base", name="Base"),
                MonitorPlan(
                    id="full",
                    name="Full",
                    billing="yearly",
                    price=price(200),
                    tier=2,
                    unlocks=("club_path", "face_angle"),
                ),
            ),
            **facts,
        }
    )


def title(**facts: Any) -> Title:
    needs = ResolutionNeeds(
        lines=1080,
        minimum=MachineNeeds(graphics_grade=4, graphics_memory_gb=4, memory_gb=16, processor_grade=4, storage_gb=50),
        recommended=MachineNeeds(
            graphics_grade=6, graphics_memory_gb=8, memory_gb=16, processor_grade=5, storage_gb=100
        ),
    )
    return Title.model_validate(
        {
            "id": "title",
            "maker": "Maker",
            "name": "Rounds",
            "price": price(0),
            "shapes": ("16:9", "4:3"),
            "platforms": ("Wicket OS",),
            "lines_max": 2160,
            "online": "better",
            "plans": (
                TitlePlan(
                    id="monthly",
                    name="Monthly",
                    billing="monthly",
                    price=price(15),
                    courses=40,
                    course_names=("Old Quarry",),
                    courses_sold_singly=("Low Ferry",),
                    course_price=price(9),
                    features=("range", "skills_games", "children", "putting", "coaching"),
                ),
            ),
            "monitor_links": (MonitorLink(monitor="radar"),),
            "machine_needs": (needs,),
            **facts,
        }
    )


def computer(**facts: Any) -> Computer:
    return Computer.model_validate(
        {
            "id": "computer",
            "maker": "Maker",
            "name": "Tower",
            "price": price(1000),
            "platform": "Wicket OS",
            "graphics_grade": 6,
            "graphics_memory_gb": 8,
            "memory_gb": 16,
            "processor_grade": 6,
            "storage_gb": 500,
            "output_lines": 2160,
            "outputs": ("hdmi", "displayport"),
            "usb_ports": 4,
            "links": ("wifi", "bluetooth", "usb", "network"),
            "noise_db": 36,
            "power_w": 400,
            **facts,
        }
    )


def projector(**facts: Any) -> Projector:
    return Projector.model_validate(
        {
            "id": "projector",
            "maker": "Maker",
            "name": "Lamp",
            "price": price(900),
            "width_px": 1920,
            "height_px": 1080,
            "throw_min": 0.69,
            "throw_max": 0.83,
            "lumens": 4000,
            "native_contrast": 2000,
            "lens_above_min": 0.0,
            "lens_above_max": 0.1,
            "keystone_max_deg": 20,
            "lens_aside_max": 0.05,
            "keystone_across_max_deg": 15,
            "light": "lamp",
            "light_hours": 20_000,
            "inputs": ("hdmi",),
            "remote_included": True,
            "speaker_w": 5,
            "noise_db": 34,
            "power_w": 300,
            "weight_kg": 4.0,
            **facts,
        }
    )


def screen(**facts: Any) -> ImpactScreen:
    return ImpactScreen.model_validate(
        {
            "id": "screen",
            "maker": "Maker",
            "name": "Square",
            "price": price(300),
            "width_m": 2.7,
            "height_m": 2.7,
            "border_m": 0.05,
            "gain": 1.0,
            "rated_ball_speed_m_s": 90,
            "sound": "loud",
            "edge": "grommets",
            "edge_spacing_m": 0.3,
            "layers": 3,
            "stops": "any_ball",
            "carries_picture": True,
            "needs_backing": False,
            "turns": 4,
            "weight_kg": 6.0,
            **facts,
        }
    )


def enclosure(**facts: Any) -> Enclosure:
    return Enclosure.model_validate(
        {
            "id": "enclosure",
            "maker": "Maker",
            "name": "Box",
            "price": price(800),
            "outer_width_m": 2.9,
            "outer_height_m": 2.85,
            "inner_width_m": 2.8,
            "inner_height_m": 2.76,
            "depth_m": 1.0,
            "sides": True,
            "roof": True,
            "takes_edges": ("grommets", "loops"),
            "leaves_out": (),
            **facts,
        }
    )


def strip(**facts: Any) -> HittingStrip:
    """As the mat, but to be let into the floor that one stands on."""
    return HittingStrip.model_validate({**mat().model_dump(exclude={"kind"}), "id": "strip", **facts})


def mat(**facts: Any) -> HittingMat:
    return HittingMat.model_validate(
        {
            "id": "mat",
            "maker": "Maker",
            "name": "Strip",
            "price": price(400),
            "width_m": 1.5,
            "length_m": 1.5,
            "thickness_m": 0.04,
            "strip_width_m": 0.5,
            "strip_length_m": 1.2,
            "cushion": "soft",
            "takes_tee": True,
            "weight_kg": 20.0,
            **facts,
        }
    )


def tiles(**facts: Any) -> FloorTiles:
    return FloorTiles.model_validate(
        {
            "id": "tiles",
            "maker": "Maker",
            "name": "Tile",
            "price": price(30),
            "thickness_m": 0.04,
            "tile_side_m": 0.5,
            "tiles_per_pack": 4,
            "soft": True,
            "pile_m": 0.01,
            **facts,
        }
    )


PLACES = {
    "floor": "tiles",
    "mat": "mat",
    "monitor": "radar",
    "title": "title",
    "machine": "computer",
    "display": "projector",
    "screen": "screen",
    "enclosure": "enclosure",
}


def full_parts() -> dict[str, Part]:
    parts = (tiles(), mat(), radar(), title(), computer(), projector(), screen(), enclosure())
    return {part.id: part for part in parts}


def full_room(**facts: Any) -> Room:
    """A room with one of everything in it, where nothing is in anybody's way while people play."""
    contents = {
        "things": [thing(y_m=6.6).model_dump()],
        "openings": [
            door(),
            {"id": "window", "kind": "window", "name": "window", "wall": "left", "along_m": 1.0}
            | {"width_m": 1.2, "height_m": 1.2, "sill_m": 0.9, "opens": "not", "guard": "film"},
        ],
        "sockets": [{"id": "socket", "name": "socket", "wall": "left", "along_m": 3.5}],
        "joists": {"along": True, "first_m": 0.2, "spacing_m": 0.6},
        "mains_v": 230,
        "breaker_a": 16,
        "coldest": "warm",
        "insulated": False,
        "floor_base": "timber",
        "stored": [stored().model_dump()],
    }
    return room(**{**contents, **facts})


def full_brief(**facts: Any) -> Brief:
    """A brief with an answer to everything."""
    return Brief.model_validate(
        {
            "players": (player(), left_hander(height_m=1.64)),
            "purposes": {"full_rounds": 5, "swing_work": 3, "putting": 3, "filming": 3},
            "up_front_cap_minor": 1_000_000,
            "yearly_cap_minor": 30_000,
            "packed_away": True,
            "setup_minutes": 60,
            "may_move": True,
            "noise": "quiet",
            "hours_a_week": 4,
            "playable_by": "2027-06-01",
            "build_hours_a_week": 6,
            "courses_wanted": ("Old Quarry",),
            **facts,
        }
    )


def full_build(**facts: Any) -> Build:
    chain = {slot: {"part": part} for slot, part in PLACES.items()}
    chain["monitor"]["plan"] = "base"
    chain["title"]["plan"] = "monthly"
    brief = Brief(
        players=(player(), left_hander(height_m=1.64)),
        up_front_cap_minor=1_000_000,
        yearly_cap_minor=30_000,
        hours_a_week=3,
    )
    return Build.model_validate(
        {"name": "Test", "brief": brief, "room": room(), "layout": layout(), "chain": chain, **facts}
    )


def monitor_of(kind: type[M], **facts: Any) -> M:
    return kind.model_validate({"id": "monitor", "maker": "Maker", "name": "Monitor", "both_hands": "unmoved", **facts})


def works_of(
    brief: Brief, room: Room, chain: Chain, floor: LaidFloor | None = None, outlets: OutletsMissing | None = None
) -> Works:
    """The works of these, with nothing beside the chain."""
    return works(
        brief,
        room,
        chain,
        floor,
        outlets,
        Beside.of(SideProtection)(()),  # type: ignore[arg-type]
        Beside.of(MaskingCloth)(()),  # type: ignore[arg-type]
        Beside.of(Padding)(()),  # type: ignore[arg-type]
    )
