"""Cables, adapters and radios between monitor, machine and display, and what they hang on (trade)."""

from core.checks.cables import ChainLines, DisplayRun, passive_most_m
from core.checks.hanging import LOAD_COMFORT_SHARE
from core.checks.power import Load
from core.checks.small_items.item import Ask, Need, at_least, at_most, equals, includes
from core.checks.small_items.register import small_item
from core.geometry.cable_route import STOCK_LENGTHS_M
from core.geometry.ceiling import Ceiling
from core.geometry.shadow import Lens
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import (
    Adapter,
    AudioCable,
    CableChannel,
    DataCable,
    DataLink,
    DeskMonitor,
    Display,
    LaunchMonitor,
    LinkAdapter,
    Machine,
    Mount,
    OverheadCamera,
    PowerStrip,
    Projector,
    RemoteControl,
    Speaker,
    Splitter,
    StandingDisplay,
    Supply,
    Tablet,
    VideoCable,
)
from core.model.room import Layout, Room
from core.quantities import Quantity, Unit, say

MOUNT_FIXINGS = 4
DATA_RUN_M = 5.0
"""From a monitor near the ball to a machine at the wall, fixed along the floor (trade)."""
SURGE_PLUGS = 4


@small_item("video-cable", "Video cable", near=Slot.DISPLAY, kind=VideoCable)
def video_cable(run: DisplayRun, chain: ChainLines, machine: Machine, display: Display) -> Need:
    """From the machine to the display: the routed way × 1.10 and 0.5 m at each end."""
    needed_m = run.route.needed_m
    stock_m = run.route.stock_m or STOCK_LENGTHS_M[-1]
    asks: list[Ask] = [at_least("length_m", "length", needed_m), at_least("lines_max", "lines", chain.lines)]
    inputs = display.inputs or ()
    shared = [port for port in machine.outputs or () if port in inputs]
    if shared or inputs:
        asks.append(equals("plug", "plug", (shared or list(inputs))[0]))
    kind = "passive is enough" if needed_m <= passive_most_m(chain.lines) else "active or optical"
    why = say(
        "{display} hangs {path} of wall and ceiling away: {stock}, {kind}",
        display=display.name,
        path=Quantity(run.route.path_m, Unit.METRE),
        stock=Quantity(stock_m, Unit.METRE),
        kind=kind,
    )
    return Need(_pieces(1), why, tuple(asks))


@small_item("adapter", "Video adapter", near=Slot.MACHINE, kind=Adapter)
def adapter(machine: Machine, display: Display) -> Need | None:
    """Where machine and display share no plug; a tablet's passes power on besides."""
    outputs = known(machine.outputs, machine, "video outputs")
    inputs = known(display.inputs, display, "video inputs")
    tablet = isinstance(machine, Tablet)
    if not outputs or (set(outputs) & set(inputs) and not tablet):
        return None
    asks = [
        equals("from_port", "machine's plug", outputs[0]),
        *([equals("to_port", "display's plug", inputs[0])] if inputs else []),
    ]
    if tablet:
        asks.append(equals("passes_power", "charging", value=True))
    words = ", ".join(port.words for port in inputs)
    why = say(
        "{machine} has {out}, {display} takes {into}",
        machine=machine.name,
        out=outputs[0].words,
        display=display.name,
        into=words,
    )
    return Need(_pieces(1), why, tuple(asks))


@small_item("splitter", "Video splitter", near=Slot.MACHINE, kind=Splitter)
def splitter(machine: Machine, display: Display, chain: ChainLines, others: Beside[Display]) -> Need | None:
    """Where there are more displays than outputs."""
    displays = (display, *others)
    outputs = known(machine.outputs, machine, "video outputs")
    if len(displays) <= len(outputs):
        return None
    why = say("{displays} displays hang on {outputs} outputs", displays=str(len(displays)), outputs=str(len(outputs)))
    ways = len(displays) - len(outputs) + 1
    return Need(
        _pieces(1),
        why,
        (equals("does", "use", "splits"), at_least("ways", "ways", ways), at_least("lines_max", "lines", chain.lines)),
    )


@small_item("audio-cable", "Audio cable", near=Slot.DISPLAY, kind=AudioCable)
def audio_cable(run: DisplayRun, speakers: Beside[Speaker]) -> Need | None:
    """For every speaker that takes its sound by cable, as long as the picture's."""
    wired = [speaker for speaker in speakers if speaker.wireless is False]
    if not wired:
        return None
    needed_m = run.route.needed_m
    return Need(
        _pieces(len(wired)),
        say("{speaker} takes its sound by cable", speaker=wired[0].name),
        (at_least("length_m", "length", needed_m),),
    )


@small_item("data-cable", "Data cable", near=Slot.MONITOR, kind=DataCable)
def data_cable(monitor: LaunchMonitor, machine: Machine) -> Need | None:
    """Where monitor and machine share nothing but a cable."""
    speaks = known(monitor.links, monitor, "links")
    shared = [link for link in speaks if link in (machine.links or ())]
    if not shared or any(link.through_air for link in shared):
        return None
    why = say("{monitor} is linked by {link}", monitor=monitor.name, link=shared[0].words)
    return Need(_pieces(1), why, (equals("carries", "use", shared[0]), at_least("length_m", "length", DATA_RUN_M)))


@small_item("link-adapter", "Radio or network adapter", near=Slot.MACHINE, kind=LinkAdapter)
def link_adapter(monitor: LaunchMonitor, machine: Machine) -> Need | None:
    """Where the machine does not hear the monitor."""
    speaks = known(monitor.links, monitor, "links")
    own = known(machine.links, machine, "links")
    if not speaks or set(speaks) & set(own):
        return None
    link: DataLink = speaks[0]
    why = say(
        "{monitor} speaks {link}, {machine} does not", monitor=monitor.name, link=link.words, machine=machine.name
    )
    return Need(_pieces(1), why, (includes("gives", "links", link),))


@small_item("projector-mount", "Projector mount", near=Slot.DISPLAY, kind=Mount)
def projector_mount(projector: Projector, lens: Lens | None, layout: Layout, ceiling: Ceiling) -> Need:
    """A projector hangs from a mount that carries a quarter more than it weighs, and is as long as its drop."""
    weight = known(projector.weight_kg, projector, "weight")
    why = say(
        "{projector}, {weight}, hangs from the ceiling",
        projector=projector.name,
        weight=Quantity(weight, Unit.KILOGRAM),
    )
    asks = [equals("holds", "use", "projector"), at_least("load_kg", "load", weight * (1 + LOAD_COMFORT_SHARE))]
    if lens is not None:
        drop_m = ceiling.height_m(lens.x_m, layout.screen_y_m + lens.distance_m) - lens.height_m
        asks += [at_most("drop_min_m", "shortest drop", drop_m), at_least("drop_max_m", "longest drop", drop_m)]
    return Need(_pieces(1), why, tuple(asks))


@small_item("monitor-mount", "Mount of the monitor", near=Slot.MONITOR, kind=Mount)
def monitor_mount(monitor: OverheadCamera) -> Need:
    """An overhead camera hangs from a mount of its own."""
    return Need(
        _pieces(1),
        say("{monitor} hangs from the ceiling", monitor=monitor.name),
        (equals("holds", "use", "overhead_camera"),),
    )


@small_item("ceiling-fixings", "Fixings into the ceiling", near=Slot.DISPLAY, kind=Supply, sold_by=("pack_size",))
def ceiling_fixings(projector: Projector | None, monitor: OverheadCamera | None) -> Need | None:
    """Four for each thing that hangs overhead, into structure or a plate that spans two joists."""
    overhead = [part.name for part in (projector, monitor) if part is not None]
    if not overhead:
        return None
    why = say("{names}: four each, into joists or a spreader plate", names=", ".join(overhead))
    return Need(_pieces(MOUNT_FIXINGS * len(overhead)), why, (equals("use", "use", "ceiling fixing"),))


@small_item("remote", "Remote control", near=Slot.DISPLAY, kind=RemoteControl)
def remote(display: Display) -> Need | None:
    """A display out of reach is switched from the ball; one on a desk has its keys at hand."""
    if isinstance(display, DeskMonitor) or known(display.remote_included, display, "remote in the box"):
        return None
    controls = "projector" if isinstance(display, Projector) else "television"
    why = say("{display} comes without one, and hangs out of reach", display=display.name)
    return Need(_pieces(1), why, (includes("controls", "kinds of display", controls),))


@small_item("display-mount", "Stand or bracket of the display", near=Slot.DISPLAY, kind=Mount)
def display_mount(display: StandingDisplay) -> Need:
    """A television beside the bay hangs on a bracket that carries it."""
    weight = known(display.weight_kg, display, "weight")
    why = say("{display} weighs {weight}", display=display.name, weight=Quantity(weight, Unit.KILOGRAM))
    return Need(_pieces(1), why, (equals("holds", "use", "display"), at_least("load_kg", "load", weight)))


@small_item("power-strip", "Surge strip", near=Slot.MACHINE, kind=PowerStrip)
def power_strip(load: Load, machine: Machine) -> Need:
    """Where the computer is: enough sockets for what stands there, protected from surges."""
    plugs = min(SURGE_PLUGS, len(load.watts))
    why = say(
        "{plugs} devices are plugged in, {machine} is worth protecting",
        plugs=str(len(load.watts)),
        machine=machine.name,
    )
    return Need(
        _pieces(1),
        why,
        (at_least("sockets", "sockets", plugs), equals("surge_protected", "surge protection", value=True)),
    )


@small_item("cable-channel", "Cable channel", near=Slot.DISPLAY, kind=CableChannel, sold_by=("stock_length_m",))
def cable_channel(run: DisplayRun, room: Room, display: Display) -> Need:
    """Over the whole way on wall, ceiling or floor: a loose cable trips people and hangs into swings.

    To a display that stands beside the bay it lies on the floor, where it is walked on.
    """
    asks = (equals("walked_on", "fit to be walked on", value=True),) if isinstance(display, StandingDisplay) else ()
    return Need(
        Quantity(run.route.path_m, Unit.METRE),
        say("{path} of cable lie open in {room}", path=Quantity(run.route.path_m, Unit.METRE), room=room.name),
        asks,
    )


def _pieces(count: int) -> Quantity:
    return Quantity(count, Unit.PIECES)
