"""What is used while people play, and what only follows from the parts: trays, gloves, stands, tape (trade)."""

from typing import Annotated

from core.checks.asks import ask_among, ask_at_least, ask_equal
from core.checks.figures import in_a_row, metres
from core.checks.laid_floor import LaidFloor, Layer, stated
from core.checks.needs import ItemKind, Need, pieces
from core.checks.register import derive
from core.geometry.floor_cover import roll_strips, seams_m, tape_m
from core.model.brief import Brief
from core.model.build import Slot
from core.model.parts import (
    Computer,
    Connector,
    ControlPad,
    ImpactScreen,
    LaunchMonitor,
    Mat,
    Projector,
    Stand,
    Supply,
    Tablet,
    Title,
    Tray,
    Turf,
    link_to,
)
from core.quantities import say

BALLS_IN_A_TRAY = 12


class BallTray(Need):
    """Where balls stay off the floor."""

    item = ItemKind("ball-tray", "Ball tray", near=Slot.MAT, kind=Tray, asks=("holds",))


class ClubCleaner(Need):
    """What keeps dirt off the screen."""

    item = ItemKind("club-cleaner", "Club cleaner", near=Slot.MAT, kind=Supply, asks=("use",))


class Gloves(Need):
    """One for each who plays."""

    item = ItemKind("gloves", "Gloves", near=Slot.MAT, kind=Supply, sold_by=("pack_size",), asks=("use",))


class ConnectorNeed(Need):
    """The program between software and a monitor that it does not hear itself."""

    item = ItemKind("connector", "Connector", near=Slot.TITLE, kind=Connector, asks=("titles", "monitors"))


class TabletStand(Need):
    """What a tablet is read on."""

    item = ItemKind("tablet-stand", "Stand of the tablet", near=Slot.MACHINE, kind=Stand, asks=("holds",))


class PadToControl(Need):
    """Keys in reach of the ball."""

    item = ItemKind("control-pad", "Control pad", near=Slot.MACHINE, kind=ControlPad)


class SeamTape(Need):
    """What holds a covering off a roll."""

    item = ItemKind(
        "seam-tape", "Tape for seams and edges", Slot.FLOOR, Supply, ("length_m", "pack_size"), asks=("use",)
    )


class Adhesive(Need):
    """What turf that stays is glued by."""

    item = ItemKind("adhesive", "Adhesive for the seams", Slot.FLOOR, Supply, ("length_m", "pack_size"), asks=("use",))


@derive
def ball_tray(mat: Annotated[Mat, "name"]) -> BallTray:
    """Loose balls on the floor turn ankles."""
    why = say("Loose balls around {mat} turn ankles", mat=mat.name)
    return BallTray(pieces(1), why, (ask_at_least("holds", BALLS_IN_A_TRAY),))


@derive
def club_cleaner(screen: Annotated[ImpactScreen, "name"]) -> ClubCleaner:
    """Dirt on a club ends on the screen."""
    why = say("Dirt ends on {screen}", screen=screen.name)
    return ClubCleaner(pieces(1), why, (ask_equal("use", "club cleaner", purpose=True),))


@derive
def gloves(brief: Annotated[Brief, "players"], mat: Annotated[Mat, "name"]) -> Gloves | None:
    """One for each player."""
    if not brief.players:
        return None
    asks = (ask_equal("use", "glove", purpose=True),)
    return Gloves(pieces(len(brief.players)), say("One for each player on {mat}", mat=mat.name), asks)


@derive
def connector(
    title: Annotated[Title, "id", "monitor_links", "name"], monitor: Annotated[LaunchMonitor, "id", "name"]
) -> ConnectorNeed | None:
    """Where the software listens to the monitor only through a program between the two, at one's own risk."""
    link = link_to(title, monitor)
    if link is None or link.via != "connector":
        return None
    why = say("{title} hears {monitor} through one", title=title.name, monitor=monitor.name)
    return ConnectorNeed(pieces(1), why, (ask_among("titles", title.id), ask_among("monitors", monitor.id)))


@derive
def tablet_stand(tablet: Annotated[Tablet, "name"]) -> TabletStand:
    """A tablet is read from where one stands."""
    why = say("{tablet} is read from where one stands", tablet=tablet.name)
    return TabletStand(pieces(1), why, (ask_equal("holds", "tablet", purpose=True),))


@derive
def control_pad(computer: Annotated[Computer, "name"], projector: Annotated[Projector, "name"]) -> PadToControl:
    """The picture is on the screen and the keyboard at the wall, out of reach."""
    words = "The picture of {projector} is on the screen, and the keyboard of {computer} out of reach from the ball"
    return PadToControl(pieces(1), say(words, projector=projector.name, computer=computer.name))


@derive
def seam_tape(floor: LaidFloor) -> SeamTape | None:
    """Around every zone and along the seams between strips off a roll. Tiles that are laid loose need none."""
    rolls = [layer for layer in floor.layers if layer.roll_m is not None and layer.is_fixed is not False]
    if not rolls:
        return None
    strips = sum(roll_strips(*_size(layer))[0] for layer in rolls)
    names = in_a_row(layer.name for layer in rolls)
    why = say("{strips} strips of {floor}: their seams, and along the walls", strips=str(strips), floor=names)
    length = metres(sum(tape_m(*_size(layer)) for layer in rolls))
    return SeamTape(length, why, (ask_equal("use", "seam tape", purpose=True),))


def _size(roll: Layer) -> tuple[float, float, float]:
    """Width and length of its zone, and width of the roll, in metres."""
    return roll.zone.width_m, roll.zone.length_m, stated(roll.roll_m or 0.0)


@derive
def adhesive(
    brief: Annotated[Brief, "may_drill", "packed_away"],
    floor: LaidFloor,
) -> Adhesive | None:
    """One line along every seam of turf that stays: a bay that is packed away, or a rented floor, is taped only."""
    turf = [layer for layer in floor.layers if issubclass(layer.kind, Turf) and layer.is_fixed is not False]
    along_m = sum(seams_m(*_size(layer)) for layer in turf)
    if along_m == 0 or brief.packed_away or not brief.may_drill:
        return None
    names = in_a_row(layer.name for layer in turf)
    why = say("{seams} of seams in {turf}, glued to the tape", seams=metres(along_m), turf=names)
    return Adhesive(metres(along_m), why, (ask_equal("use", "adhesive", purpose=True),))
