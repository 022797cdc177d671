"""Pictures: known clusters found, small strong areas among them; samples, rectangles and stops; and what is refused."""

import io
import struct
import zlib

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image, ImageCms

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.nearness import differences
from heimat.core.color.spaces import srgb_to_lab, srgb_to_oklab
from heimat.core.errors import DomainError
from heimat.core.pictures.decoding import MOST_PIXELS, Pixels, decode
from heimat.core.pictures.main_colors import Wanted, main_colors
from heimat.core.pictures.rectangle import Rectangle
from heimat.core.pictures.sampling import sample
from heimat.core.pictures.shares import shares_of
from heimat.core.pictures.showing import dimming, shown
from heimat.core.pictures.showing import encoded as encode
from heimat.core.pictures.stops import fitted_stops
from heimat.demo.demo_pictures import demo_pictures
from tests.examples import examples
from tests.pictures import encoded, fields, pixels

TEAL, ORANGE, GRAY, WHITE, RED = (
    (11, 110, 110),
    (223, 90, 51),
    (120, 126, 128),
    (255, 255, 255),
    (200, 50, 31),
)
HARBOR = decode(next(each for each in demo_pictures() if each.name == "harbor.png").content)


def found(picture, **wanted):
    return main_colors(picture, Wanted(**wanted))


@settings(max_examples=25)
@given(
    st.lists(st.tuples(*[st.integers(0, 255)] * 3), min_size=3, max_size=8, unique=True),
    st.integers(0, 10_000),
)
def test_known_clusters_are_found(colors, seed):
    """Flat fields with a little noise, far enough from one another, are each found as one of their own pixels."""
    labs = srgb_to_oklab(np.array(colors) / 255.0)
    far = np.sqrt(((labs[:, None] - labs[None]) ** 2).sum(axis=-1))[np.triu_indices(len(colors), 1)]
    if far.min() < 0.12:
        return
    rng = np.random.default_rng(seed)
    picture = fields(*[(color, int(rng.integers(20, 60))) for color in colors]).astype(int)
    picture = np.clip(picture + rng.integers(-2, 3, picture.shape), 0, 255).astype(np.uint8)
    main = found(pixels(picture), count=len(colors))
    nearest = differences(np.array(colors, dtype=np.uint8), main.rgb8).min(axis=1)
    assert nearest.max() < 2.5
    own = {tuple(color) for color in picture.reshape(-1, 3).tolist()}
    assert all(tuple(color) in own for color in main.rgb8.tolist())
    assert main.shares.sum() == pytest.approx(1.0)


def test_a_small_red_buoy_on_a_gray_sea_is_found():
    main = found(HARBOR)
    assert len(main.rgb8) == 6
    red = differences(np.array([RED], dtype=np.uint8), main.rgb8)[0]
    place = int(red.argmin())
    assert red[place] < 3.0
    assert main.shares[place] < 0.001
    x, y = main.points[place]
    assert 600 < x < 640
    assert 450 < y < 500
    assert (HARBOR.rgb8[y, x] == main.rgb8[place]).all()
    # Preferring area, the sea and the sky have all colors.
    assert (
        differences(np.array([RED], dtype=np.uint8), found(HARBOR, strength=0.0).rgb8).min() > 20.0
    )


def gradient_with_a_spot(rng):
    """A gradient between three strong colors, with a spot of another one of some ten pixels across; and that color."""
    down, across = np.mgrid[0:240, 0:360]

    def strong():
        while True:
            color = rng.integers(0, 256, 3)
            lab = srgb_to_oklab(color / 255.0)
            if np.hypot(lab[1], lab[2]) > 0.12:
                return color, lab

    (one, _), (two, _), (three, _) = strong(), strong(), strong()
    along, beside = (across / across.max())[..., None], (down / down.max())[..., None]
    ground = (one * (1.0 - along) + two * along) * (1.0 - beside) + three * beside
    every = srgb_to_oklab(ground.reshape(-1, 3)[::53] / 255.0)
    spot = next(
        lab for lab in iter(strong, None) if np.linalg.norm(every - lab[1], axis=1).min() > 0.12
    )
    row, column = rng.integers(20, 220), rng.integers(20, 340)
    y, x = np.mgrid[0:240, 0:360]
    covered = (rng.uniform(3.0, 5.0) + 0.5 - np.hypot(y - row, x - column)).clip(0.0, 1.0)[
        ..., None
    ]
    return pixels((ground * (1.0 - covered) + spot[0] * covered).round().astype(np.uint8)), spot[1]


def test_small_strong_areas_are_found_among_strong_gradients():
    rng = np.random.default_rng(4)
    missed = 0
    for _ in range(30):
        picture, spot = gradient_with_a_spot(rng)
        missed += bool(
            np.linalg.norm(srgb_to_oklab(found(picture).rgb8 / 255.0) - spot, axis=1).min() > 0.06
        )
    assert missed <= 1


def test_the_same_request_gives_the_same_colors():
    one, other = found(HARBOR, count=9, strength=0.7), found(HARBOR, count=9, strength=0.7)
    assert (one.rgb8 == other.rgb8).all()
    assert (one.labels == other.labels).all()


def test_one_lightness_or_a_wide_range():
    gray_ramp = np.repeat(
        np.linspace(0, 255, 256).astype(np.uint8)[None, :, None], 60, axis=0
    ).repeat(3, axis=2)
    hues = fields(((190, 80, 80), 40), ((80, 140, 80), 40), ((90, 100, 200), 40), height=60)
    picture = pixels(np.concatenate([gray_ramp, hues], axis=1))
    narrow, wide = (found(picture, count=4, span=span) for span in (0.0, 1.0))
    assert (
        np.ptp(srgb_to_oklab(narrow.rgb8 / 255.0)[:, 0])
        < np.ptp(srgb_to_oklab(wide.rgb8 / 255.0)[:, 0]) - 0.2
    )


def test_areas_and_colors_are_left_out():
    picture = pixels(fields((WHITE, 60), (TEAL, 40), (ORANGE, 40)))
    assert found(picture, count=3).shares[0] == pytest.approx(60 / 140)
    without = found(picture, count=3, without_colors=(WHITE,))
    assert {tuple(color) for color in without.rgb8.tolist()} == {TEAL, ORANGE}
    assert (without.labels[:, :60] == -1).all()
    beside = found(picture, count=3, without=(Rectangle(0, 0, 100, 100),))
    assert [tuple(color) for color in beside.rgb8.tolist()] == [ORANGE]
    with pytest.raises(DomainError, match="Everything is left out"):
        found(picture, without=(Rectangle(-5, -5, 500, 500),))


def test_a_region_is_lit_and_the_rest_dimmed():
    main = found(pixels(fields((TEAL, 60), (ORANGE, 40))), count=3)
    overlay = Image.open(io.BytesIO(dimming(main.labels, 0))).convert("RGBA")
    alpha = np.asarray(overlay.getchannel("A"))
    assert alpha.shape == main.labels.shape
    assert (alpha[:, :60] == 0).all()
    assert (alpha[:, 60:] > 150).all()


@examples(40)
@given(st.integers(0, 59), st.integers(0, 39), st.integers(0, 40), st.integers(0, 1000))
def test_a_sample_is_the_pixel_or_the_mean_in_linear_light(x, y, radius, seed):
    rgb8 = np.random.default_rng(seed).integers(0, 256, (40, 60, 3)).astype(np.uint8)
    taken = sample(pixels(rgb8), x, y, radius)
    down, across = np.mgrid[:40, :60]
    inside = (down - y) ** 2 + (across - x) ** 2 <= radius * radius
    values = rgb8[inside] / 255.0
    linear = np.where(values <= 0.04045, values / 12.92, ((values + 0.055) / 1.055) ** 2.4).mean(
        axis=0
    )
    mean = (
        np.where(linear <= 0.0031308, linear * 12.92, 1.055 * linear ** (1 / 2.4) - 0.055) * 255.0
    )
    assert np.abs(taken.rgb8 - mean).max() <= 0.5 + 1e-6
    assert (taken.around[8, 8] == rgb8[y, x]).all()
    assert taken.around.shape == (17, 17, 3)


@pytest.mark.parametrize(
    ("x", "y", "radius", "field"),
    [(60, 0, 0, "x"), (-1, 0, 0, "x"), (0, 40, 0, "x"), (1, 1, 41, "radius")],
)
def test_samples_outside_are_refused(x, y, radius, field):
    with pytest.raises(DomainError) as refused:
        sample(pixels(np.zeros((40, 60, 3))), x, y, radius)
    assert refused.value.field == field


@settings(max_examples=25)
@given(
    st.lists(st.tuples(*[st.integers(24, 255)] * 3), min_size=2, max_size=4), st.floats(1.5, 12.0)
)
def test_stops_stay_within_the_stated_difference(colors, difference):
    """A picture of ramps between some colors, from dark to light: the stops, joined in OKLab, stay near its curve."""
    by_lightness = sorted(
        colors, key=lambda color: float(srgb_to_oklab(np.array(color) / 255.0)[0])
    )
    along = np.linspace(0.0, len(colors) - 1.0, 240)
    rgb8 = np.stack(
        [
            np.interp(along, range(len(colors)), [color[axis] for color in by_lightness])
            for axis in range(3)
        ]
    )
    picture = pixels(np.repeat(rgb8.T[None].astype(np.uint8), 30, axis=0))
    try:
        fitted = fitted_stops(picture, Rectangle(0, 0, 240, 30), difference)
    except DomainError:
        # One lightness only, or more stops than there may be: tested on their own below.
        return
    assert fitted.largest <= difference
    stops, curve = srgb_to_oklab(fitted.rgb8 / 255.0), srgb_to_oklab(fitted.curve / 255.0)
    assert (np.diff(stops[:, 0]) > 0.0).all()
    line = np.stack(
        [np.interp(curve[:, 0], stops[:, 0], stops[:, axis]) for axis in range(3)], axis=-1
    )
    off = ciede2000(srgb_to_lab(fitted.curve / 255.0), _lab(line))
    assert off.max() <= difference + 1e-9


def _lab(oklab):
    from heimat.core.color.spaces import oklab_to_srgb

    return srgb_to_lab(np.clip(oklab_to_srgb(oklab), 0.0, 1.0))


def test_a_straight_ramp_needs_two_stops_and_a_bent_one_more():
    ramp = np.linspace(20, 235, 200)
    straight = np.repeat(np.stack([ramp] * 3, axis=-1)[None].astype(np.uint8), 20, axis=0)
    assert len(fitted_stops(pixels(straight), Rectangle(0, 0, 200, 20)).rgb8) == 2
    bent = straight.copy()
    bent[:, 60:140, 0] = np.clip(bent[:, 60:140, 0].astype(int) + 70, 0, 255)
    assert len(fitted_stops(pixels(bent), Rectangle(0, 0, 200, 20)).rgb8) > 3


@pytest.mark.parametrize(
    ("marked", "difference", "field"),
    [
        (Rectangle(0, 0, 10, 10), 3.0, "rectangle"),
        (Rectangle(200, 0, 5, 5), 3.0, "rectangle"),
        (Rectangle(0, 0, 60, 40), 0.2, "difference"),
    ],
    ids=["one lightness", "outside", "no difference"],
)
def test_stops_that_cannot_be(marked, difference, field):
    with pytest.raises(DomainError) as refused:
        fitted_stops(pixels(np.full((40, 60, 3), 90)), marked, difference)
    assert refused.value.field == field


@pytest.mark.parametrize("kind", ["PNG", "JPEG", "WEBP", "GIF", "AVIF"])
def test_every_kind_is_read(kind):
    options = (
        {"lossless": True}
        if kind == "WEBP"
        else {"quality": 100}
        if kind in ("JPEG", "AVIF")
        else {}
    )
    picture = decode(encoded(fields((TEAL, 32), (ORANGE, 32), height=48), kind, **options))
    assert (picture.width, picture.height) == (64, 48)
    assert np.abs(picture.rgb8[24, 10].astype(int) - TEAL).max() <= 6
    assert picture.media_type == f"image/{kind.lower()}"


def test_orientation_is_applied_and_profiles_are_converted():
    exif = Image.Exif()
    exif[0x0112] = 6
    turned = decode(encoded(fields((TEAL, 30), (ORANGE, 10), height=20), exif=exif))
    assert (turned.width, turned.height) == (20, 40)
    assert turned.rgb8[0, 0].tolist() == list(TEAL)
    # In a profile whose red and green are exchanged, what is written as red is green.
    lab = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
    same = decode(encoded(fields((TEAL, 4), height=4), icc_profile=lab))
    assert np.abs(same.rgb8[0, 0].astype(int) - TEAL).max() <= 1
    swapped = _with_red_and_green_exchanged(lab)
    converted = decode(encoded(fields(((200, 40, 30), 4), height=4), icc_profile=swapped))
    assert np.abs(converted.rgb8[0, 0].astype(int) - (40, 200, 30)).max() <= 2
    # A profile that cannot be read says nothing.
    assert decode(encoded(fields((TEAL, 4), height=4), icc_profile=b"no profile")).rgb8[
        0, 0
    ].tolist() == list(TEAL)


def _with_red_and_green_exchanged(profile: bytes) -> bytes:
    """An sRGB profile whose tags for the red and the green primary are exchanged."""
    changed = bytearray(profile)
    red, green = changed.index(b"rXYZ"), changed.index(b"gXYZ")
    changed[red : red + 4], changed[green : green + 4] = b"gXYZ", b"rXYZ"
    changed[84:100] = bytes(16)
    return bytes(changed)


def test_holes_do_not_count():
    rgba = np.zeros((20, 40, 4), dtype=np.uint8)
    rgba[:, :20] = (*TEAL, 255)
    picture = decode(encoded(rgba))
    main = main_colors(picture, Wanted(count=3))
    assert main.rgb8.tolist() == [list(TEAL)]
    with pytest.raises(DomainError, match="transparent there"):
        sample(picture, 30, 5)
    assert shown(picture)[5, 30].tolist() == [255, 255, 255]


def test_sixteen_bits_of_gray_are_not_clipped():
    into = io.BytesIO()
    Image.fromarray(np.full((4, 4), 32896, dtype=np.uint16)).save(into, "PNG")
    assert decode(into.getvalue()).rgb8[0, 0].tolist() == [128, 128, 128]


def _huge_png(width: int, height: int) -> bytes:
    """A PNG that says how large it is, and holds nothing."""

    def chunk(kind: bytes, data: bytes) -> bytes:
        return (
            struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))
        )

    head = struct.pack(">IIBBBBB", width, height, 8, 2, 0, 0, 0)
    return (
        b"\x89PNG\r\n\x1a\n"
        + chunk(b"IHDR", head)
        + chunk(b"IDAT", zlib.compress(b""))
        + chunk(b"IEND", b"")
    )


GOOD = encoded(fields((TEAL, 64), height=64))
NOISE = encoded(np.random.default_rng(1).integers(0, 256, (64, 64, 3)), "JPEG")
REFUSED = [
    (b"", "is empty"),
    (b"tidewater #0B6E6E", "is not a picture that Heimat can read. Give it as PNG"),
    (GOOD[: len(GOOD) // 2], "broken or was cut off"),
    (NOISE[:400], "broken or was cut off"),
    (GOOD[:40] + bytes(40) + GOOD[80:], "broken or was cut off"),
    (_huge_png(8000, 5001), "40 million"),
    (_huge_png(60_000, 60_000), "40 million"),
    (b"<svg xmlns='http://www.w3.org/2000/svg'/>", "is not a picture"),
    (b"BM" + bytes(60), "is not a picture"),
    (bytes(20_000_001), "has 20 MB; a picture has at most 20 MB"),
]


@pytest.mark.parametrize(
    ("content", "words"),
    REFUSED,
    ids=[words[:24] + str(place) for place, (_, words) in enumerate(REFUSED)],
)
def test_what_is_no_picture_is_refused_in_a_sentence(content, words):
    with pytest.raises(DomainError) as refused:
        decode(content, "boat.png")
    assert refused.value.field == "picture"
    assert "“boat.png”" in refused.value.message
    assert words in refused.value.message
    assert MOST_PIXELS == 40_000_000


@examples(150)
@given(st.sampled_from([GOOD, NOISE]), st.integers(0, 3000), st.binary(max_size=12))
def test_broken_pictures_never_raise_anything_else(content, place, put_in):
    broken = (
        content[: place % len(content)] + put_in + content[place % len(content) + len(put_in) :]
    )
    try:
        picture = decode(broken)
    except DomainError:
        return
    assert picture.rgb8.shape == (picture.height, picture.width, 3)


def test_every_flipped_bit_of_every_kind_is_a_refusal_or_a_picture():
    rng = np.random.default_rng(6)
    noise = Image.fromarray(rng.integers(0, 255, (48, 48, 3), dtype=np.uint8))
    for kind in ("AVIF", "WEBP", "JPEG", "GIF", "PNG"):
        kept = io.BytesIO()
        noise.save(kept, kind)
        for _ in range(150):
            broken = bytearray(kept.getvalue())
            broken[rng.integers(0, min(len(broken), 500))] ^= 1 << rng.integers(0, 8)
            try:
                picture = decode(bytes(broken), "boat")
            except DomainError:
                continue
            assert picture.rgb8.shape == (picture.height, picture.width, 3)


def test_what_is_shown_is_smaller_and_exact_where_it_was():
    large = pixels(fields((TEAL, 1600), (ORANGE, 1600), height=400))
    small = shown(large)
    assert small.shape == (125, 1000, 3)
    content, media_type = encode(small, "image/webp")
    assert media_type == "image/png"
    assert decode(content).rgb8[10, 10].tolist() == list(TEAL)
    assert encode(small, "image/jpeg")[1] == "image/jpeg"


@pytest.mark.parametrize("seed", [0, 7, 19, 29])
def test_a_curve_rises_from_slice_to_slice_whatever_rounding_does(seed):
    rng = np.random.default_rng(seed)
    count, base = int(rng.integers(30, 200)), rng.integers(0, 256, 3)
    reach = int(rng.integers(2, 14))
    colors = np.clip(base + rng.integers(-reach, reach + 1, (count, 3)), 0, 255).astype(np.uint8)
    pixels = Pixels(colors[None], None, "image/png")
    curve = fitted_stops(pixels, Rectangle(0, 0, count, 1), 20.0).curve
    assert (np.diff(srgb_to_oklab(from_bytes(curve))[:, 0]) > 0.0).all()


def test_what_no_color_accounts_for_is_told_by_how_common_it_is():
    counts = {(200, 30, 40): 500, (20, 140, 60): 900, (30, 60, 200): 700, (240, 240, 240): 400}
    rgb8 = np.concatenate([np.full((count, 3), color, np.uint8) for color, count in counts.items()])
    found = shares_of(
        Pixels(rgb8.reshape(50, 50, 3), None, "image/png"), np.array([[240, 240, 240]], np.uint8)
    )
    assert found.shares.tolist() == pytest.approx([400 / 2500])
    assert [tuple(map(int, color)) for color, _ in found.others] == [
        (20, 140, 60),
        (30, 60, 200),
        (200, 30, 40),
    ]
    assert [share for _, share in found.others] == pytest.approx([0.36, 0.28, 0.2])
