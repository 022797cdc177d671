"""From the bytes of a picture to its pixels in sRGB, or a sentence that says why not.

The imaging library reads PNG, JPEG, WebP, GIF (the first frame) and, where it was built with it, AVIF. An embedded
profile is converted to sRGB and the orientation that the camera noted is applied, so that pixels are what is seen.
"""

import io
import warnings
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageCms, ImageOps, UnidentifiedImageError

from heimat.core.color.arrays import Bytes, to_bytes
from heimat.core.errors import DomainError

MOST_PICTURE_BYTES = 20 * 1000 * 1000
MOST_PIXELS = 40_000_000
FORMATS = {
    "PNG": "image/png",
    "JPEG": "image/jpeg",
    "WEBP": "image/webp",
    "GIF": "image/gif",
    "AVIF": "image/avif",
}
KINDS = "PNG, JPEG, WebP, GIF or AVIF"
_SRGB = ImageCms.createProfile("sRGB")
_BROKEN = "is broken or was cut off on its way. Save it again and retry."
_BEGINNINGS = (b"\x89PNG", b"\xff\xd8\xff", b"RIFF", b"GIF8")
"""How files begin that mean to be a picture."""
_SOLID = 128
"""Alpha below which a pixel is taken for a hole: what is seen there is not the picture's."""

# The library's own guard against pictures that unpack to more than they say; it refuses at twice this number.
Image.MAX_IMAGE_PIXELS = MOST_PIXELS
# Between the two it only warns; such pictures are refused here, with a sentence.
warnings.filterwarnings("ignore", category=Image.DecompressionBombWarning)


@dataclass(frozen=True)
class Pixels:
    """A picture: 8-bit sRGB (h, w, 3), and which pixels are solid (h, w); None where all are."""

    rgb8: Bytes
    solid: NDArray[np.bool_] | None
    media_type: str

    @property
    def width(self) -> int:
        """Pixels across."""
        return int(self.rgb8.shape[1])

    @property
    def height(self) -> int:
        """Pixels down."""
        return int(self.rgb8.shape[0])


_PNG_END = b"IEND\xae\x42\x60\x82"
"""The chunk that a PNG ends with, and its checksum (W3C PNG 3, 11.2.5)."""


def decode(content: bytes, name: str = "") -> Pixels:
    """The pixels of a picture. Raises DomainError (field `picture`) with a sentence for everything that is none."""
    called = f"“{name}”" if name else "This file"
    if not content:
        raise _refused(f"{called} is empty.", "empty")
    if len(content) > MOST_PICTURE_BYTES:
        raise _refused(
            f"{called} has {len(content) / 1e6:.0f} MB; a picture has at most 20 MB.", "limit"
        )
    try:
        with Image.open(io.BytesIO(content), formats=list(FORMATS)) as image:
            across, down = image.size
            if across * down > MOST_PIXELS:
                raise _refused(
                    f"{called} has {across * down / 1e6:.0f} million pixels; a picture has at most 40 million. "
                    "Make it smaller and try again.",
                    "limit",
                )
            media_type = FORMATS[image.format or "PNG"]
            image.load()
            # The library takes a file for whole whose last pixels it could make out.
            if image.format == "PNG" and _PNG_END not in content:
                raise _refused(f"{called} {_BROKEN}", "broken")
            return _pixels(image, media_type)
    except UnidentifiedImageError as error:
        if content.startswith(_BEGINNINGS):
            raise _refused(f"{called} {_BROKEN}", "broken") from error
        raise _refused(
            f"{called} is not a picture that Heimat can read. Give it as {KINDS}.", "unreadable"
        ) from error
    except Image.DecompressionBombError as error:
        raise _refused(
            f"{called} unpacks to far more than 40 million pixels and was not opened.", "limit"
        ) from error
    except MemoryError as error:
        raise _refused(f"{called} needs more memory than there is.", "limit") from error
    # The library's decoders raise many kinds of errors for broken files, not all of them its own.
    except (
        OSError,
        SyntaxError,
        ValueError,
        EOFError,
        LookupError,
        TypeError,
        OverflowError,
        RuntimeError,
    ) as error:
        raise _refused(f"{called} {_BROKEN}", "broken") from error


def _refused(sentence: str, code: str) -> DomainError:
    return DomainError(sentence, "picture", code)


def _pixels(image: Image.Image, media_type: str) -> Pixels:
    profile = image.info.get("icc_profile")
    turned = ImageOps.exif_transpose(image)
    solid = None
    if turned.mode in ("RGBA", "LA", "PA") or "transparency" in turned.info:
        rgba = turned.convert("RGBA")
        alpha = np.asarray(rgba.getchannel("A"))
        solid = None if (alpha >= _SOLID).all() else alpha >= _SOLID
        turned = rgba
    rgb = _to_srgb(turned, profile)
    return Pixels(np.asarray(rgb, dtype=np.uint8), solid, media_type)


def _to_srgb(image: Image.Image, profile: bytes | None) -> Image.Image:
    if image.mode.startswith("I;16") or image.mode in ("I", "F"):
        # Sixteen bits of gray, which a plain conversion would clip.
        levels = np.asarray(image, dtype=np.float64)
        image = Image.fromarray(to_bytes(levels / 65535.0))
    if profile:
        try:
            source = ImageCms.ImageCmsProfile(io.BytesIO(profile))
            plain = image if image.mode in ("RGB", "L", "CMYK") else image.convert("RGB")
            made = ImageCms.profileToProfile(plain, source, _SRGB, outputMode="RGB")
            if made is not None:
                return made
        except (ImageCms.PyCMSError, OSError, ValueError):
            # A profile that cannot be read says nothing: the values stand as they are.
            pass
    return image.convert("RGB")
