"""Facts of a sheet as people read them: their names, their values, and what they mean."""

from core.model.record import Record
from core.model.typed import unit_of
from core.quantities import Figure, Quantity

SUFFIXES = ("_m_s", "_deg", "_gb", "_kg", "_db", "_l_s", "_px", "_w", "_m")
ENDINGS = {"_min": "least", "_max": "greatest"}
NAMES = {
    "lumens": "brightness",
    "throw_min": "least throw ratio",
    "throw_max": "greatest throw ratio",
    "lines_max": "greatest lines",
    "width_px": "pixels across",
    "height_px": "lines of the panel",
    "usb_ports": "USB sockets",
    "limited_on": "does less on",
    "stops": "made to stop",
    "gives_m": "gives way by",
    "stand_off_m": "distance to stand off",
    "light": "light source",
    "needs_tier": "least plan tier",
    "takes_tee": "takes a wooden tee",
    "needs_backing": "lets light through",
    "through_mat": "pulled through the mat",
    "mirror_delay_ms": "mirroring delay in ms",
    "light_hours": "life of the light source",
    "output_w": "power of its sound",
    "lens_above_min": "lens over the picture, lowest",
    "lens_above_max": "lens over the picture, highest",
}
"""Facts whose field is no phrase."""
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
