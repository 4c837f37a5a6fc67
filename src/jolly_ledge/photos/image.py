"""Photographs in and out: read upright, kept small."""

import hashlib
import io
from typing import TYPE_CHECKING

import numpy as np
from numpy.typing import NDArray

from jolly_ledge.model.errors import JollyLedgeError

if TYPE_CHECKING:
    from PIL import Image

Pixels = NDArray[np.uint8]
"""Rows, columns, red-green-blue."""

FORMATS = ("JPEG", "PNG")
MOST_PIXELS = 220_000_000
MOST_PIXELS_WHOLE = 64_000_000
"""What must be unpacked whole before it can be made smaller."""

READ_SIDE = 2400
"""A picture twice as large, or larger, is read at about this size: finer than any mark can be set."""

LARGEST_BYTES = 80 * 1024 * 1024
KEPT_SIDE = 1600
KEPT_QUALITY = 86


class PhotoError(JollyLedgeError):
    """A photograph cannot be read or does not show what is asked for."""


def read_photo(content: bytes, name: str = "the picture") -> Pixels:
    """Return a JPEG or PNG as pixels, turned upright as its camera noted; what is clear becomes white.

    Raises
    ------
    PhotoError
        It is no picture, of another format, cut off, or larger than any photograph.
    """
    from PIL import Image, ImageOps, UnidentifiedImageError

    # The bound below is asked before anything is unpacked; Pillow's own would only print a warning.
    Image.MAX_IMAGE_PIXELS = 4 * MOST_PIXELS
    if len(content) > LARGEST_BYTES:
        raise PhotoError(f"“{name}” is larger than 80 MB; save it smaller and try again.")
    try:
        with Image.open(io.BytesIO(content), formats=FORMATS) as opened:
            most = MOST_PIXELS if opened.format == "JPEG" else MOST_PIXELS_WHOLE
            if opened.width * opened.height > most:
                raise PhotoError(
                    f"“{name}” has more than {most // 10**6} million pixels; save it smaller and try again."
                )
            upright = ImageOps.exif_transpose(_reduced(opened))
            if "A" in upright.getbands() or "transparency" in upright.info:
                clear = upright.convert("RGBA")
                ground = Image.new("RGBA", clear.size, "white")
                upright = Image.alpha_composite(ground, clear)
            return np.asarray(upright.convert("RGB")).copy()
    except UnidentifiedImageError as error:
        raise PhotoError(f"“{name}” is no JPEG or PNG picture; save it as one of them.") from error
    except Image.DecompressionBombError as error:
        raise PhotoError(f"“{name}” unpacks to more than any photograph; it is not opened.") from error
    except (OSError, ValueError, SyntaxError, EOFError) as error:
        raise PhotoError(f"“{name}” is damaged or cut off; take it from the camera again.") from error


def _reduced(opened: "Image.Image") -> "Image.Image":
    """Return a picture decoded at no more than it is ever looked at, before anything else is done with it."""
    times = max(opened.width, opened.height) // READ_SIDE
    if times < 2:
        return opened
    exif = opened.getexif()
    # A JPEG leaves the finer half out while it is decoded; the rest is an even mean.
    opened.draft("RGB", (opened.width // times, opened.height // times))
    times = max(max(opened.width, opened.height) // READ_SIDE, 1)
    if opened.mode in ("P", "1", "I", "I;16"):
        return opened.resize((opened.width // times, opened.height // times)).convert("RGBA")
    reduced = opened.reduce(times)
    reduced.info = dict(opened.info)
    reduced.info["exif"] = exif.tobytes()
    return reduced


def smaller(image: Pixels, longest: int) -> Pixels:
    """Return a picture whose longer side is at most so many pixels.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    longest : int
        Of the longer side, in pixels.
    """
    from PIL import Image

    height, width = image.shape[:2]
    share = longest / max(width, height)
    if share >= 1:
        return image
    size = (max(round(width * share), 1), max(round(height * share), 1))
    return np.asarray(Image.fromarray(image).resize(size, Image.Resampling.LANCZOS)).copy()


def jpeg_bytes(image: Pixels, quality: int = KEPT_QUALITY) -> bytes:
    """Return a picture as JPEG.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    quality : int
        As JPEG has it, 1 to 95.
    """
    from PIL import Image

    buffer = io.BytesIO()
    Image.fromarray(image).save(buffer, "JPEG", quality=quality)
    return buffer.getvalue()


def png_bytes(image: Pixels) -> bytes:
    """Return a picture as PNG.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    """
    from PIL import Image

    buffer = io.BytesIO()
    Image.fromarray(image).save(buffer, "PNG")
    return buffer.getvalue()


def kept_photo(image: Pixels, longest: int = KEPT_SIDE) -> tuple[str, bytes]:
    """Return the name and the bytes under which a photograph is kept in a plan; like pictures share a name.

    Parameters
    ----------
    image : array of uint8, shape (rows, columns, 3)
        An sRGB picture.
    longest : int
        Of the longer side, in pixels.
    """
    content = jpeg_bytes(smaller(image, longest))
    return f"photos/{hashlib.sha256(content).hexdigest()[:16]}.jpg", content
