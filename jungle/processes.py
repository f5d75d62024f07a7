"""Other processes of this machine."""

import os


def lives(process: int) -> bool:
    """A process of that number runs."""
    try:
        os.kill(process, 0)
    except OSError:
        return False
    return True
