"""Vesper Row, the demo plan: an invented house made ready for an autumn open evening."""

from pathlib import Path


def demo_bytes() -> bytes:
    """Return the demo plan as it lies in the package."""
    return (Path(__file__).parent / "vesper-row.json").read_bytes()
