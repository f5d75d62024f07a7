"""What is used while people play: balls, tees, light, sound, a camera, an alarm (trade)."""

from core.checks.air import SPEAKER_LEAST_W
from core.checks.floor import PUTTING_PILE_M
from core.checks.readings import HittingSurface
from core.checks.small_items.item import Ask, Need, at_least, equals, includes
from core.checks.small_items.register import small_item
from core.checks.weights import wanted
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import (
    Balls,
    Camera,
    CarbonMonoxideAlarm,
    Computer,
    Connector,
    ControlPad,
    Display,
    FloorStanding,
    Heater,
    ImpactScreen,
    Lamp,
    LaunchMonitor,
    Mat,
    MonitorCase,
    Projector,
    PuttingSurface,
    SideCamera,
    Speaker,
    Stand,
    Supply,
    Tablet,
    Tees,
    Title,
    Tray,
    link_to,
)
from core.model.parts import Flooring as FloorCovering
from core.model.room import Layout
from core.quantities import Quantity, Unit, say

BALLS = 12
BALLS_FILMED = 100
"""Pictures a second of a camera from which a swing can be read (trade)."""
TEES = 4


@small_item("balls", "Balls for the bay", near=Slot.MAT, kind=Balls, sold_by=("pack_size",))
def balls(mat: Mat, monitor: LaunchMonitor | None, screen: ImpactScreen | None) -> Need:
    """A dozen: clean and plain, since print comes off on the screen; marked where the monitor reads a mark."""
    asks: list[Ask] = []
    marked = monitor is not None and monitor.marked_ball in ("better", "needed")
    if marked:
        asks.append(equals("marked", "mark", value=True))
    if screen is not None:
        asks.append(equals("print_free", "print-free", value=True))
    if marked and monitor is not None:
        why = say("{monitor} reads spin off a mark", monitor=monitor.name)
    else:
        why = say("Kept for the bay: dirt and print come off on the screen") if screen else say("Kept for the bay")
    return Need(Quantity(BALLS, Unit.PIECES), why, tuple(asks))


@small_item("tees", "Tees", near=Slot.MAT, kind=Tees, sold_by=("pack_size",))
def tees(mat: Mat) -> Need:
    """On a tether where the mat takes no wooden ones; the tether keeps the rest of the mat whole."""
    takes = known(mat.takes_tee, mat, "way with tees")
    why = (
        say("{mat} takes wooden tees", mat=mat.name)
        if takes
        else say("{mat} takes no wooden tee: one on a tether", mat=mat.name)
    )
    return Need(Quantity(TEES, Unit.PIECES), why, () if takes else (equals("tethered", "tether", value=True),))


@small_item("ball-tray", "Ball tray", near=Slot.MAT, kind=Tray)
def ball_tray(mat: Mat) -> Need:
    """Loose balls on the floor turn ankles."""
    why = say("Loose balls around {mat} turn ankles", mat=mat.name)
    return Need(Quantity(1, Unit.PIECES), why, (at_least("holds", "room for balls", BALLS),))


@small_item("club-cleaner", "Club cleaner", near=Slot.MAT, kind=Supply)
def club_cleaner(screen: ImpactScreen) -> Need:
    """Dirt on a club ends on the screen."""
    return Need(
        Quantity(1, Unit.PIECES),
        say("Dirt ends on {screen}", screen=screen.name),
        (equals("use", "use", "club cleaner"),),
    )


@small_item("gloves", "Gloves", near=Slot.MAT, kind=Supply, sold_by=("pack_size",))
def gloves(brief: Brief, mat: Mat) -> Need | None:
    """One for each player."""
    if not brief.players:
        return None
    return Need(Quantity(len(brief.players), Unit.PIECES), say("One for each player"), (equals("use", "use", "glove"),))


@small_item("monitor-case", "Case of the monitor", near=Slot.MONITOR, kind=MonitorCase)
def monitor_case(monitor: SideCamera) -> Need | None:
    """Beside the ball a camera is hit sooner or later."""
    if known(monitor.case_included, monitor, "case in the box"):
        return None
    return Need(
        Quantity(1, Unit.PIECES),
        say("{monitor} stands where shanks fly, and brings no case", monitor=monitor.name),
        (includes("monitors", "monitors", monitor.id),),
    )


@small_item("levelling-feet", "Pad or levelling feet", near=Slot.MONITOR, kind=Supply)
def levelling_feet(monitor: FloorStanding, surface: HittingSurface, layout: Layout) -> Need | None:
    """Where the floor around the mat is further below it than the monitor's tolerance."""
    step_m = surface.height_m - surface.floor_m
    if step_m <= known(monitor.level_tolerance_m, monitor, "level tolerance"):
        return None
    why = say(
        "{monitor} must stand level with the ball, {step} over the floor",
        monitor=monitor.name,
        step=Quantity(step_m, Unit.METRE),
    )
    return Need(Quantity(1, Unit.PIECES), why, (equals("use", "use", "levelling feet"),))


@small_item("ball-lamp", "Lamp on the ball", near=Slot.MONITOR, kind=Lamp)
def ball_lamp(monitor: LaunchMonitor) -> Need | None:
    """Where the monitor wants light, steady so that its camera sees no pulse."""
    if not known(monitor.wants_lamp, monitor, "need for light"):
        return None
    asks = (equals("lights", "what it lights", "ball"), equals("flickers", "flicker", value=False))
    return Need(Quantity(1, Unit.PIECES), say("{monitor} wants light on the ball", monitor=monitor.name), asks)


@small_item("connector", "Connector", near=Slot.TITLE, kind=Connector)
def connector(title: Title, monitor: LaunchMonitor) -> Need | None:
    """Where the title listens to the monitor only through a program between the two, at one's own risk."""
    link = link_to(title, monitor)
    if link is None or link.via != "connector":
        return None
    asks = (includes("titles", "titles", title.id), includes("monitors", "monitors", monitor.id))
    return Need(
        Quantity(1, Unit.PIECES),
        say("{title} hears {monitor} through one", title=title.name, monitor=monitor.name),
        asks,
    )


@small_item("tablet-stand", "Stand of the tablet", near=Slot.MACHINE, kind=Stand)
def tablet_stand(tablet: Tablet) -> Need:
    """A tablet is read from where one stands."""
    return Need(
        Quantity(1, Unit.PIECES),
        say("{tablet} is read from where one stands", tablet=tablet.name),
        (equals("holds", "use", "tablet"),),
    )


@small_item("control-pad", "Control pad", near=Slot.MACHINE, kind=ControlPad)
def control_pad(computer: Computer, projector: Projector) -> Need:
    """The picture is on the screen and the keyboard at the wall, out of reach."""
    return Need(
        Quantity(1, Unit.PIECES),
        say("The keyboard of {computer} is out of reach from the ball", computer=computer.name),
    )


@small_item("speaker", "Speaker", near=Slot.DISPLAY, kind=Speaker)
def speaker(brief: Brief, display: Display) -> Need | None:
    """Films and family games want 15 W of sound; where the display gives less, a speaker does."""
    sound = wanted(brief, Purpose.FILMS) or wanted(brief, Purpose.FAMILY_GAMES)
    if not sound or known(display.speaker_w, display, "speaker") >= SPEAKER_LEAST_W:
        return None
    why = say("{display} gives {own} of sound", display=display.name, own=Quantity(display.speaker_w or 0.0, Unit.WATT))
    return Need(Quantity(1, Unit.PIECES), why, (at_least("output_w", "sound", SPEAKER_LEAST_W),))


@small_item("camera", "Camera", near=Slot.MACHINE, kind=Camera)
def camera(brief: Brief) -> Need | None:
    """Where swings are filmed: a hundred pictures a second or more."""
    if not wanted(brief, Purpose.FILMING):
        return None
    return Need(
        Quantity(1, Unit.PIECES),
        say("Swings are filmed"),
        (at_least("pictures_a_second", "pictures a second", BALLS_FILMED),),
    )


@small_item("camera-stand", "Tripod", near=Slot.MACHINE, kind=Stand)
def camera_stand(brief: Brief) -> Need | None:
    """For the camera."""
    if not wanted(brief, Purpose.FILMING):
        return None
    return Need(
        Quantity(1, Unit.PIECES), say("The camera stands before the player"), (equals("holds", "use", "camera"),)
    )


@small_item("putting-strip", "Strip to putt on", near=Slot.FLOOR, kind=PuttingSurface)
def putting_strip(brief: Brief, flooring: FloorCovering) -> Need | None:
    """Where putts are wanted and the floor's pile is longer than 12 mm, or it has none."""
    if not wanted(brief, Purpose.PUTTING):
        return None
    if known(flooring.pile_m, flooring, "pile") <= PUTTING_PILE_M:
        return None
    why = say("The pile of {floor} is too long to putt on", floor=flooring.name)
    return Need(Quantity(1, Unit.PIECES), why)


@small_item("co-alarm", "Carbon-monoxide alarm", near=Slot.FLOOR, kind=CarbonMonoxideAlarm)
def co_alarm(heaters: Beside[Heater]) -> Need | None:
    """Wherever something burns fuel indoors."""
    burning = [heater.name for heater in heaters if heater.method == "fuel"]
    return Need(Quantity(1, Unit.PIECES), say("{heater} burns fuel", heater=burning[0])) if burning else None
