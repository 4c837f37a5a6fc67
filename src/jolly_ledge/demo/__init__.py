"""Vesper Row, the demo plan: an invented house made ready for an autumn open evening."""

from pathlib import Path

HERE = Path(__file__).parent


def demo_bytes() -> bytes:
    """Return the demo plan as it lies in the package."""
    return (HERE / "vesper-row.json").read_bytes()


def demo_photos() -> dict[str, bytes]:
    """Return the demo's photographs, taken by the simulated camera, by the names the plan calls them."""
    return {f"photos/{path.name}": path.read_bytes() for path in sorted((HERE / "photos").glob("*.jpg"))}
