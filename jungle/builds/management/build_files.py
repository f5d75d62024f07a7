"""Commands that speak of a build file: how they read it, and how they say that it is bad."""

import sys
from argparse import ArgumentParser
from pathlib import Path

from core.formats.build_file import BuildFile, read_build_file
from core.formats.errors import BadFile
from core.quantities import UnitSystem
from jungle.commands import QuickCommand

BAD_FILE = 2


class BuildFileCommand(QuickCommand):
    """Reads a build file; exit status 2 when that is bad."""

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("file", type=Path, help="a build file")
        parser.add_argument("--units", choices=[system.value for system in UnitSystem], default="metric")

    def read(self, file: Path) -> BuildFile:
        """The build and its parts, or the end of the command with what is wrong on the way out."""
        try:
            return read_build_file(file.read_bytes())
        except OSError as error:
            self.stderr.write(f"{file}: {error.strerror}")
        except BadFile as bad:
            for problem in bad.errors:
                self.stderr.write(f"{file}: {problem}")
        sys.exit(BAD_FILE)
