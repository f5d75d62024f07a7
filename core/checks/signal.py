"""Plugs, ports and lines from the machine to the displays."""

from core.checks.cables import ChainLines
from core.checks.figures import counted, listed, stated, worded
from core.checks.places import between, on
from core.checks.register import check
from core.checks.verdict import Basis, State, Verdict
from core.model.build import Slot
from core.model.facts import known
from core.model.kit import Beside
from core.model.parts import (
    Adapter,
    Camera,
    ControlPad,
    DataLink,
    Display,
    LaunchMonitor,
    LinkAdapter,
    Machine,
    Splitter,
    Tablet,
    Title,
    VideoCable,
    VideoPort,
)
from core.quantities import Quantity, Sentence, Unit, say

SECOND_LINES_LEAST = 1080
"""A second display with fewer lines is a known regret (trade)."""
SECOND_LINES_LEGIBLE = 720
"""Fewer lines do not hold the numbers of a shot beside each other (trade)."""
MIRROR_DELAY_TIGHT_MS = 100
"""From here on a swing and its picture no longer seem to go together (trade)."""
MIRROR_DELAY_MOST_MS = 1_000
"""A second late the ball has landed before it is seen to leave, and no putt can be judged (trade)."""


@check("machine.plugs", title="Plugs between machine and display", place=between(Slot.MACHINE, Slot.DISPLAY))
def plugs(machine: Machine, display: Display, adapters: Beside[Adapter]) -> Verdict:
    """Machine and display share a plug, or an adapter makes one; a tablet's adapter charges it as well.

    A tablet without a way to charge while it shows a picture runs down during a round.
    """
    outputs = known(machine.outputs, machine, "video outputs")
    inputs = known(display.inputs, display, "video inputs")
    shared = [port for port in outputs if port in inputs]
    adapter = next((adapter for adapter in adapters if _joins(adapter, outputs, inputs)), None)
    wants = listed(port.words for port in inputs)
    has = listed(port.words for port in outputs)
    charges = not isinstance(machine, Tablet) or (adapter is not None and bool(adapter.passes_power))
    cures: tuple[Sentence, ...] = ()
    if not outputs:
        state, headline = State.BLOCKED, say("{machine} has no video output", machine=machine.name)
        cures = (say("Choose a machine with one."),)
    elif not shared and adapter is None:
        state, headline = State.TIGHT, say("{has} out, {wants} in: an adapter is needed", has=has, wants=wants)
        cures = (say("An adapter from {has} to {wants} joins them.", has=has, wants=wants),)
    elif not charges:
        state = State.TIGHT
        headline = say("{machine} does not charge while it shows a picture", machine=machine.name)
        cures = (say("Choose an adapter that passes power on."),)
    else:
        state, headline = State.CLEAR, say("{has} to {wants}", has=shared[0].words if shared else has, wants=wants)
    return worded(
        state,
        headline,
        has=has,
        wants=wants,
        formula="plugs that both have, or an adapter between them",
        inputs=lambda: (
            stated("Outputs", has),
            stated("Inputs", wants),
            stated("Adapter", adapter.name if adapter else "none"),
        ),
        cures=cures,
    )


def _joins(adapter: Adapter, outputs: tuple[VideoPort, ...], inputs: tuple[VideoPort, ...]) -> bool:
    return adapter.from_port in outputs and adapter.to_port in inputs


@check("machine.outputs", title="Outputs for the displays", place=on(Slot.MACHINE))
def outputs(machine: Machine, display: Display, others: Beside[Display], splitters: Beside[Splitter]) -> Verdict:
    """Outputs needed against outputs there are; a splitter shows one of them on several displays."""
    ports = known(machine.outputs, machine, "video outputs")
    shown = (display, *others)
    splitter = next((part for part in splitters if part.does == "splits"), None)
    extra = known(splitter.ways, splitter, "ways") - 1 if splitter else 0
    has, needs = len(ports) + (extra if ports else 0), len(shown)
    if has >= needs:
        state = State.CLEAR
    else:
        state = State.TIGHT if ports else State.BLOCKED
    return counted(
        state,
        say("{has} for {needs}", has=_pieces(has, "outputs"), needs=_pieces(needs, "displays")),
        Unit.PIECES,
        has=has,
        needs=needs,
        formula="video outputs + ways of a splitter − 1, against displays",
        inputs=lambda: (
            stated("Outputs", listed(port.words for port in ports)),
            *(stated("Display", display.name) for display in shown),
            *((stated("Splitter", splitter.name),) if splitter else ()),
        ),
        cures=(say("A splitter mirrors one output on both."),)
        if ports
        else (say("Choose a machine with a video output."),),
    )


@check("machine.usb", title="USB sockets", place=on(Slot.MACHINE))
def usb(
    machine: Machine,
    monitor: LaunchMonitor | None,
    cameras: Beside[Camera],
    pads: Beside[ControlPad],
    adapters: Beside[LinkAdapter],
) -> Verdict:
    """USB sockets against what is plugged in: a monitor linked by USB alone, cameras, radios, control pads.

    A hub adds sockets, as long as there is one to plug it into.
    """
    ports = known(machine.usb_ports, machine, "USB sockets")
    users: list[str] = []
    if monitor is not None and monitor.links == (DataLink.USB,):
        users.append(monitor.name)
    users += [camera.name for camera in cameras if camera.link is DataLink.USB]
    users += [pad.name for pad in pads if pad.link is DataLink.USB]
    users += [part.name for part in adapters]
    spare = ports - len(users)
    state = State.CLEAR if spare >= 0 else State.TIGHT if ports else State.BLOCKED
    return counted(
        state,
        say("{ports} for {users}", ports=_pieces(ports, "USB sockets"), users=_pieces(len(users), "devices")),
        Unit.PIECES,
        has=ports,
        needs=len(users),
        formula="USB sockets − devices on USB",
        inputs=lambda: (stated("USB sockets", str(ports)), *(stated("Device", name) for name in users)),
        cures=(say("A hub with a power supply of its own adds some."),)
        if ports
        else (say("Choose a machine with USB sockets, or devices that speak through the air."),),
    )


@check("picture.lines", title="Lines over the whole chain", place=between(Slot.MACHINE, Slot.DISPLAY))
def lines(
    chain: ChainLines,
    display: Display,
    title: Title | None,
    machine: Machine,
    cables: Beside[VideoCable],
    adapters: Beside[Adapter],
    splitters: Beside[Splitter],
) -> Verdict:
    """A chain is as good as its weakest link: the lines that arrive against the lines that the display could show.

    2160 lines only when title, machine, cable, adapter, splitter and display all do them. Without a video output
    none arrive.
    """
    shows = known(display.height_px, display, "panel resolution")
    between_them = [
        *((cable.lines_max, cable.name) for cable in cables),
        *((adapter.lines_max, adapter.name) for adapter in adapters),
        *((splitter.lines_max, splitter.name) for splitter in splitters),
    ]
    passing = [(most, name) for most, name in between_them if most is not None]
    arrive, weakest = min([(chain.lines, chain.weakest), *passing])
    return counted(
        State.CLEAR if arrive >= shows else State.TIGHT if arrive else State.BLOCKED,
        say(
            "{arrive} arrive, {shows} could be shown: {weakest} is the least",
            arrive=_lines(arrive),
            shows=_lines(shows),
            weakest=weakest,
        )
        if arrive < shows
        else say("{arrive} arrive, {shows} are shown", arrive=_lines(arrive), shows=_lines(shows)),
        Unit.LINES,
        has=arrive,
        needs=shows,
        formula="least of what title, machine, cable, adapter, splitter and display do − lines of the display",
        inputs=lambda: (
            stated(f"{display.name} shows", _lines(shows)),
            stated(f"{machine.name} sends", _lines(machine.output_lines or 0)),
            *((stated(f"{title.name} draws", _lines(title.lines_max)),) if title and title.lines_max else ()),
            *(stated(f"{name} carries", _lines(most)) for most, name in passing),
        ),
        cures=(say("Pay for fewer lines, or replace {weakest}.", weakest=weakest),),
    )


@check("display.second", title="Lines of a second display", place=on(Slot.DISPLAY))
def second(display: Display, others: Beside[Display]) -> Verdict:
    """A second display below 1080 lines is a known regret: the numbers of a shot are small print (trade).

    Below 720 lines they do not fit at all.
    """
    lines = [(known(other.height_px, other, "panel resolution"), other.name) for other in others]
    least, name = min(lines, default=(SECOND_LINES_LEAST, "none"))
    few = State.TIGHT if least >= SECOND_LINES_LEGIBLE else State.BLOCKED
    state = State.CLEAR if least >= SECOND_LINES_LEAST else few
    return counted(
        state,
        say("{name} shows {lines}", name=name, lines=Quantity(least, Unit.LINES))
        if others
        else say("No second display"),
        Unit.LINES,
        has=least,
        needs=SECOND_LINES_LEAST,
        formula="lines of the second display − 1080",
        inputs=lambda: (
            tuple(stated(name, Quantity(value, Unit.LINES)) for value, name in lines)
            or (stated("Second display", "none"),)
        ),
        cures=(say("Choose one with 1080 lines or more."),),
        basis=Basis.TRADE,
    )


@check("machine.mirror", title="Delay of the mirrored picture", place=between(Slot.MACHINE, Slot.DISPLAY))
def mirror(tablet: Tablet, display: Display) -> Verdict:
    """A tablet's mirrored picture comes late; a tenth of a second is felt, and a whole one is no play (trade)."""
    delay = known(tablet.mirror_delay_ms, tablet, "mirroring delay")
    late = State.TIGHT if delay < MIRROR_DELAY_MOST_MS else State.BLOCKED
    state = State.CLEAR if delay < MIRROR_DELAY_TIGHT_MS else late
    return counted(
        state,
        say("{display} shows it {delay} late", display=display.name, delay=_ms(delay)),
        Unit.MILLISECOND,
        has=delay,
        needs=MIRROR_DELAY_TIGHT_MS,
        formula="100 ms − delay stated by the maker",
        inputs=lambda: (stated("Delay", _ms(delay)),),
        cures=(say("A cable instead of the air, or a computer, is faster."),),
        at_most=True,
    )


def _ms(value: float) -> Quantity:
    return Quantity(value, Unit.MILLISECOND)


def _lines(count: float) -> Quantity:
    return Quantity(count, Unit.LINES)


def _pieces(count: float, words: str) -> str:
    return f"{count:g} {words}"
