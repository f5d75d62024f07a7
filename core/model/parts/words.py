"""Facts of a sheet as people read them: their names, their values, and what they mean."""

from core.model.record import Record
from core.model.typed import unit_of
from core.quantities import Figure, Quantity

SUFFIXES = ("_minor", "_m_s", "_deg", "_gb", "_kg", "_db", "_l_s", "_px", "_w", "_m")
ENDINGS = {"_min": "least", "_max": "greatest"}
NAMES = {
    "ahead_max_m": "greatest distance ahead of the ball",
    "ahead_min_m": "least distance ahead of the ball",
    "airflow_l_s": "airflow",
    "ball_speed_max_m_s": "fastest ball that it reads",
    "ball_speed_min_m_s": "slowest ball that it reads",
    "battery_hours": "battery life",
    "black": "black, matt face",
    "bulky_minor": "more for something bulky",
    "both_hands": "hands that it serves",
    "by_package": "data that a package adds",
    "carries": "link that it carries",
    "carries_picture": "fitness for a picture",
    "claim_days": "days to claim it",
    "codes_add_up": "codes that add up",
    "codes_at_once": "codes in one order",
    "case_included": "case in the box",
    "controls": "displays that it controls",
    "course_names": "names of courses",
    "course_price": "price of one course",
    "courses": "number of courses",
    "courses_sold_singly": "courses that are sold singly",
    "derives": "data that it estimates",
    "dislikes": "disturbances that it dislikes",
    "distance_max_m": "greatest distance from the ball",
    "distance_min_m": "least distance from the ball",
    "does": "use",
    "drop_max_m": "longest drop",
    "drop_min_m": "shortest drop",
    "edge_spacing_m": "spacing of its edge",
    "edition_year": "year of its edition",
    "fits_section_m": "thickness that it takes",
    "flickers": "flicker",
    "flight_min_m": "flight that it needs",
    "excludes": "parts that it is not good for",
    "fee_minor": "fee",
    "from_minor": "for orders from",
    "from_port": "machine's plug",
    "gives": "links that it gives",
    "gives_m": "way that it gives",
    "graphics_grade": "class of its graphics",
    "inputs": "video inputs",
    "leaves_out": "pieces that it leaves out",
    "frame_of": "what its frame is made of",
    "lead_days": "days until it is here",
    "least_spend_minor": "least spend",
    "lens_above_max": "highest lens offset",
    "lens_above_min": "lowest lens offset",
    "light": "kind of light source",
    "light_hours": "life of the light source",
    "lights": "place that it lights",
    "limited_on": "systems on which it does less",
    "lines_max": "greatest lines",
    "lumens": "brightness",
    "made_for_indoors": "use indoors",
    "marked": "mark",
    "marked_ball": "need for marked balls",
    "measures": "data that it measures",
    "method": "way of heating",
    "mirror_delay_ms": "mirroring delay in ms",
    "monitor_links": "monitors that it listens to",
    "monitors": "monitors that it is made for",
    "may_collect": "collection for nothing",
    "most_kg": "up to a weight of",
    "mount_height_max_m": "highest mount",
    "mount_height_min_m": "lowest mount",
    "new_only": "only for what is new",
    "needs_backing": "need for black cloth behind",
    "needs_tier": "least plan tier",
    "off_minor": "amount off",
    "online": "need for a connection",
    "output_lines": "lines that it sends",
    "output_w": "power of its sound",
    "outputs": "video outputs",
    "passes_power": "charging",
    "platform": "operating system",
    "platforms": "systems that it runs on",
    "portable": "fitness to be carried",
    "print_free": "freedom from print",
    "processor_grade": "class of its processor",
    "regular_minor": "price when there is no sale",
    "return_days": "days to send it back",
    "returns_paid": "sending back at the shop's cost",
    "rated_w": "rated load",
    "remote_included": "remote in the box",
    "room_height_min_m": "least height of the room",
    "room_length_min_m": "least length of the room",
    "room_width_min_m": "least width of the room",
    "section_m": "thickness",
    "shapes": "picture shapes",
    "seen": "day on which it was seen",
    "soft": "softness",
    "sound": "noise of a strike",
    "stand_off_m": "distance to stand off",
    "stops": "kind of balls that it stops",
    "supported_until": "last year of updates",
    "surge_protected": "surge protection",
    "takes": "edges that it holds",
    "takes_edges": "edges that it holds",
    "takes_tee": "hole for a wooden tee",
    "tethered": "tether",
    "through_mat": "pull through the mat",
    "throw_max": "greatest throw ratio",
    "throw_min": "least throw ratio",
    "tile_side_m": "side of a tile",
    "tiles_per_pack": "tiles in a pack",
    "tax_included": "amounts with tax",
    "titles": "software that it is made for",
    "to_port": "display's plug",
    "until": "good until",
    "usb_ports": "USB sockets",
    "version": "version that it stops at",
    "warranty_months": "months of warranty",
    "walked_on": "fitness to be walked on",
    "keystone_across_max_deg": "keystone across",
    "lens_aside_max": "shift across",
    "wants_lamp": "need for a lamp on the ball",
    "height_px": "lines of the panel",
    "width_px": "pixels across",
    "wireless": "sound through the air",
}
"""Facts whose field is no noun: their one name in sentences, forms and lists."""
NOT_STATED = "not stated"


def fact_words(kind: type[Record], field: str) -> str:
    """What people call `field` of a sheet of `kind`.

    >>> fact_words(Record, "rated_ball_speed_m_s")
    'rated ball speed'
    """
    if field in NAMES:
        return NAMES[field]
    for suffix in SUFFIXES:
        if field.endswith(suffix):
            field = field.removesuffix(suffix)
            break
    for ending, words in ENDINGS.items():
        if field.endswith(ending):
            return f"{words} {field.removesuffix(ending).replace('_', ' ')}"
    return field.replace("_", " ")


def fact_text(kind: type[Record], field: str, value: object) -> Figure:
    """`value` of `field` as a figure: a quantity in the field's unit, or words."""
    if value is None:
        return NOT_STATED
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, int | float):
        unit = unit_of(kind, field) if field in kind.model_fields else None
        return f"{value:g}" if unit is None else Quantity(value, unit)
    if isinstance(value, tuple | list):
        return ", ".join(map(_words, value)) or "none"
    return _words(value)


def _words(value: object) -> str:
    """A choice in its own words, a record by its name."""
    if isinstance(value, Record):
        return str(getattr(value, "name", value))
    return str(getattr(value, "words", value)).replace("_", " ")
