"""Vesper Row, the demo plan: an invented house made ready for an autumn open evening."""

from importlib.resources import files


def demo_bytes() -> bytes:
    """Return the demo plan as it lies in the package."""
    return (files("jolly_ledge") / "demo" / "vesper-row.json").read_bytes()
