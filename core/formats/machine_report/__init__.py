"""What a computer says of itself: `lshw -json`, or the text that Windows' own diagnostic tool saves.

Both are read tolerantly: what is there is taken, what is not or cannot be understood is asked for.
"""

from core.formats.machine_report.reading import MachineReading, known_machines, read_machine_report

__all__ = ["MachineReading", "known_machines", "read_machine_report"]
