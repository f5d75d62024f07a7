"""The table of figures: a row each, beside its aim."""

from bench.clock import Times


def tell(what: str, figure: str, aim: str) -> None:
    """One row of the table."""
    print(f"| {what} | {figure} | {aim} |", flush=True)


def tell_times(what: str, times: Times, aim: str) -> None:
    """One row of the table, for what was repeated."""
    tell(f"{what}, median / p95", f"{times.median_ms:.1f} / {times.p95_ms:.1f} ms{times.note}", aim)
