"""Whatever a release holds comes back as a system: the same tokens in every theme, as far as each form carries it."""

import io
import json
import tarfile
import time
import zipfile

import pytest

from heimat.core.document.names import css_name
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import Deprecation, LiteralColor, StepAlias, TokenAlias
from heimat.core.edits import apply_all
from heimat.core.edits.theme_edits import RenameTheme
from heimat.core.edits.token_care_edits import DeprecateToken, DescribeToken
from heimat.core.errors import DomainError
from heimat.core.importing.from_sheet import Imported, import_sheet
from heimat.core.publication.building import publication
from heimat.core.publication.publication import Publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats import write_all
from heimat.formats.read.sheets.read_sheets import read

SYSTEM = apply_all(
    brinemark(),
    [
        DescribeToken(
            token="text-strong", note='Headings, "quoted" & <marked>', usage="Once a page."
        ),
        DeprecateToken(
            token="text-late", deprecated=Deprecation(replacement="text-strong", reason="One ink.")
        ),
        RenameTheme(theme="quay", name='the "quay", sunlit'),
    ],
).system
PUBLISHED = publication(resolve(SYSTEM))
FILES = {file.name: file.content for file in write_all(PUBLISHED, "1.2.0")}


def values_of(content: Publication) -> dict[str, dict[str, tuple[str, int]]]:
    """By the name of each token in CSS, and of each theme, its color and alpha as files write them."""
    return {
        css_name(token.name): {
            theme.name: (token.value(theme.id).hex, round(token.value(theme.id).alpha * 255))
            for theme in content.themes
        }
        for token in content.with_palettes()
    }


def imported(*names: str) -> Imported:
    return import_sheet(read({name: FILES[name] for name in names}), "Read")


WANTED = values_of(PUBLISHED)
THEMES = [theme.name for theme in PUBLISHED.themes]
WITHOUT_PALETTES = [css_name(token.name) for token in PUBLISHED.tokens]
OPAQUE = [
    name for name, values in WANTED.items() if all(alpha == 255 for _, alpha in values.values())
]
SCALES = [css_name(token.name) for token in PUBLISHED.tokens if "/" in token.id]
SEMANTIC = [css_name(token.name) for token in PUBLISHED.tokens if "/" not in token.id]
FIRST = {"default": THEMES[0]}


@pytest.mark.parametrize(
    ("names", "held", "themes"),
    [
        (("tokens.plain.json",), list(WANTED), {}),
        (("tokens.json", "tokens.resolver.json"), list(WANTED), {}),
        (("tokens.json",), list(WANTED), FIRST),
        (("tokens.css",), WITHOUT_PALETTES, {}),
        (("tokens.scss",), list(WANTED), {}),
        (("tokens.ts",), list(WANTED), {}),
        (("tokens.csv",), list(WANTED), {}),
        (("swatches.svg",), list(WANTED), {}),
        (("swatches.gpl",), OPAQUE, FIRST),
        (("guide.html",), WITHOUT_PALETTES, {}),
        (("guide.tokens.html",), SEMANTIC, {}),
        (("guide.scales.html",), SCALES, FIRST),
        (("tokens.plain.json", "palettes.json"), list(WANTED), {}),
        (("tokens.scss", "palettes.css"), list(WANTED), {}),
        (("package.tgz",), list(WANTED), {}),
        (tuple(FILES), list(WANTED), {}),
    ],
    ids=lambda value: value[0] if isinstance(value, tuple) else None,
)
def test_every_form_comes_back_with_all_that_it_holds(
    names: tuple[str, ...], held: list[str], themes: dict[str, str]
) -> None:
    made = imported(*names)
    found = values_of(publication(resolve(made.system)))
    assert set(found) == set(held)
    for name in held:
        for theme, value in found[name].items():
            assert value == WANTED[name][themes.get(theme, theme)], (name, theme)
    scales = set(SCALES) & set(held)
    assert len(made.scales) == (9 if scales else 0)
    hues = [hue.name for hue in SYSTEM.hues.values()]
    assert [scale.name for scale in made.scales] == (hues if scales else [])


def test_the_fullest_forms_bring_aliases_themes_notes_and_what_is_on_its_way_out() -> None:
    for names in (("tokens.plain.json",), ("package.tgz",)):
        system = imported(*names).system
        by_name = {token.name: token for token in system.tokens.values()}
        themes = {theme.name: (theme.scheme, theme.contrast) for theme in system.themes.values()}
        assert themes == {theme.name: (theme.scheme, theme.contrast) for theme in PUBLISHED.themes}
        strong, late = by_name["text.strong"], by_name["text.late"]
        assert (strong.note, strong.usage) == ('Headings, "quoted" & <marked>', "Once a page.")
        assert late.deprecated == Deprecation(replacement=strong.id, reason="One ink.")
        assert all(isinstance(value, StepAlias) for value in strong.values.values())
        assert (
            list(by_name)[:3]
            == [token.name for token in PUBLISHED.tokens if "/" not in token.id][:3]
        )
    told = imported("tokens.json").system.tokens
    (late,) = [token for token in told.values() if token.name == "text.late"]
    assert late.deprecated is not None
    assert late.deprecated.reason == "One ink."


def test_the_contract_brings_what_meets_and_what_is_told_apart() -> None:
    def declared(
        system: ColorSystem,
    ) -> tuple[list[tuple[str, str, str]], list[tuple[str, list[str], float]]]:
        names = {token.id: token.name for token in system.tokens.values()}
        pairings = [
            (names[each.foreground], names[each.ground], each.use)
            for each in in_order(system.pairings)
        ]
        told_apart = [
            (each.name, [names[token] for token in each.tokens], each.threshold)
            for each in in_order(system.told_apart)
        ]
        return pairings, told_apart

    for names in (("package.tgz",), ("tokens.plain.json", "contract.json")):
        assert declared(imported(*names).system) == declared(SYSTEM)
    assert declared(imported("tokens.plain.json").system)[1] == []
    wrong = {
        "pairings": [
            {"foreground": "a", "ground": "not.there", "use": "body"},
            {"foreground": "a", "ground": "a", "use": "body"},
            {"use": "none"},
            3,
        ],
        "told_apart": [
            {"name": "x\u202ey", "tokens": ["a", "b", "a", 7], "threshold": 12},
            {"tokens": 1},
            None,
        ],
        "exceptions": [{}],
    }
    tokens = {"tokens": [{"name": name, "values": {"day": f"#12345{name}"}} for name in "ab"]}
    files = {"c.json": json.dumps(wrong).encode(), "t.json": json.dumps(tokens).encode()}
    made = import_sheet(read(files), "Read")
    assert declared(made.system) == ([], [("x y", ["a", "b"], 12.0)])
    said = " ".join(made.passed_over)
    assert "1 of the declared pairings names a token that is not there" in said
    assert "1 accepted exception is not taken over" in said


def sheet(text: str, name: str = "site.css") -> Imported:
    return import_sheet(read({name: text.encode()}), "Read")


def test_a_stylesheet_of_others_becomes_hues_themes_and_tokens() -> None:
    made = sheet(
        """/* of a shop */
        :root { --color-sea-100: #E6FBFA; --color-sea-500: #0B6E6E; --color-sea-900: #011B1B; --gap: 4px;
          --color-grey-1: #111111; --color-grey-2: #777777; --color-grey-3: #eeeeee;
          --text: var(--color-grey-1); --link: var(--color-sea-500, #000); --shade: rgb(0 0 0 / 40%); --late: #D98A00 }
        .theme-dark { --text: #EEEEEE; --late: hsl(38 100% 60%); color-scheme: dark }
        @media (prefers-color-scheme: dark) { :root:not(.light) { --text: #EEEEEE; --late: hsl(38 100% 60%) } }
        @media (color-gamut: p3) { :root { --late: color(display-p3 0.8 0.5 0) } }
        .x { --nowhere: var(--not-there) }"""
    )
    system = made.system
    assert [(scale.name, len(scale.colors)) for scale in made.scales] == [("sea", 3), ("grey", 3)]
    assert system.scale_pattern == "color-{hue}-{step}"
    assert [hue.kind for hue in system.hues.values()] == ["brand", "neutral"]
    assert [(theme.name, theme.scheme) for theme in system.themes.values()] == [
        ("default", "light"),
        ("dark", "dark"),
    ]
    tokens = {token.name: token.values for token in system.tokens.values()}
    first, dark = system.themes
    assert isinstance(tokens["text"][first], StepAlias)
    # Its color is a step's, and no other's.
    assert isinstance(tokens["text"][dark], StepAlias)
    assert isinstance(tokens["link"][first], StepAlias)
    assert isinstance(tokens["late"][dark], LiteralColor)
    assert tokens["shade"][first].color.alpha == pytest.approx(0.4)
    assert "gap" not in tokens
    assert any(
        "nowhere stands for not-there, which is not there" in words for words in made.passed_over
    )


def test_circles_unknown_types_and_names_that_cannot_be_are_passed_over_and_said() -> None:
    tokens = {
        "a": {"$type": "color", "$value": "{b}"},
        "b": {"$type": "color", "$value": "{a}"},
        "c": {"$type": "color", "$value": "{a}"},
        "size": {"$type": "dimension", "$value": {"value": 4, "unit": "px"}},
        "odd": {"$type": "color", "$value": {"colorSpace": "cmyk", "components": [1, 2, 3]}},
        "fine": {"$type": "color", "$value": "#0B6E6E"},
        "also": {"$type": "color", "$value": "{fine}"},
        " led": {"$type": "color", "$value": "#0B6E6F"},
        "fine ": {"deep": {"$type": "color", "$value": "#0B6E70"}},
    }
    made = sheet(json.dumps(tokens), "tokens.json")
    names = {token.name: token for token in made.system.tokens.values()}
    assert set(names) == {"fine", "also"}
    assert isinstance(next(iter(names["also"].values.values())), TokenAlias)
    said = " ".join(made.passed_over)
    for words in (
        "a stands for itself",
        "b stands for itself",
        "the color space cmyk is not known",
        " led",
    ):
        assert words in said
    with pytest.raises(DomainError, match="No named colors were found"):
        sheet("{}", "tokens.json")


def test_what_is_too_alike_or_no_line_stops_nothing_else() -> None:
    """Files come past what the API refuses in a body: a bad name is told, or read as a line, and the rest is there."""
    step = {"1": "#ffffff", "2": "#888888", "3": "#000000"}
    colors = {
        name: {key: {"$type": "color", "$value": value} for key, value in step.items()}
        for name in ("b\u202ex", "sea", "Sea")
    }
    made = sheet(json.dumps(colors), "tokens.json")
    assert [hue.name for hue in made.system.hues.values()] == ["sea"]
    assert any("Sea and sea are too alike" in words for words in made.passed_over)
    assert "\u202e" not in "".join(token.name for token in made.system.tokens.values())
    said = {
        "name": "a",
        "values": {"Day": "#123456", "day": "#123457", "x\x07\u202ey": "#123458"},
        "note": "n\u202e\x07o",
    }
    made = sheet(json.dumps({"tokens": [said]}), "a.json")
    assert [theme.name for theme in made.system.themes.values()] == ["Day", "theme 2", "x y"]
    (token,) = made.system.tokens.values()
    assert (token.note, len(token.values)) == ("n o", 3)
    with pytest.raises(DomainError, match="A name is one line"):
        import_sheet(read({"a.css": b":root { --a: #123456 }"}), "x\u202ey")


def archive_of(files: dict[str, bytes], kind: str = "tar") -> bytes:
    packed = io.BytesIO()
    if kind == "zip":
        with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as made:
            for name, content in files.items():
                made.writestr(name, content)
    else:
        with tarfile.open(fileobj=packed, mode="w:gz") as made:
            for name, content in files.items():
                info = tarfile.TarInfo(name)
                info.size = len(content)
                made.addfile(info, io.BytesIO(content))
    return packed.getvalue()


def test_archives_are_read_in_memory_and_those_that_were_made_to_burst_are_refused() -> None:
    plain = FILES["tokens.plain.json"]
    for kind in ("tar", "zip"):
        inside = {"../../etc/tokens.plain.json": plain, "/root/x.css": b":root { --a: #123456 }"}
        assert len(import_sheet(read({"a.bin": archive_of(inside, kind)}), "Read").scales) == 9
        burst = archive_of({f"{number}.css": b" " * 9_000_000 for number in range(6)}, kind)
        begun = time.process_time()
        with pytest.raises(DomainError, match="holds more than an archive of colors does"):
            import_sheet(read({"burst.tgz": burst}), "Read")
        assert time.process_time() - begun < 10.0
    for broken in (FILES["package.tgz"][:2000], b"\x1f\x8bnothing", b"PK\x03\x04nothing"):
        with pytest.raises(DomainError, match="cannot be unpacked"):
            import_sheet(read({"a.tgz": broken}), "Read")


def test_ten_thousand_tokens_and_hostile_texts_are_read_in_time() -> None:
    many = {
        f"t{number}": {"$type": "color", "$value": f"#{number:06X}"} for number in range(12_000)
    }
    begun = time.process_time()
    made = sheet(json.dumps(many), "tokens.json")
    assert time.process_time() - begun < 10.0
    assert len(made.system.tokens) == 2000
    assert any("8,000 tokens were passed over" in words for words in made.passed_over)
    assert any("2,000 more tokens were not read" in words for words in made.passed_over)
    chain = {
        f"t{n}": {"$type": "color", "$value": f"{{t{n + 1}}}" if n < 1500 else "#123456"}
        for n in range(1501)
    }
    assert len(sheet(json.dumps(chain), "tokens.json").system.tokens) == 1501
    for name, text in (
        ("a.css", "{" * 200_000),
        ("a.css", ":root{" + "--a:" * 200_000),
        ("a.scss", "$a: (" * 100_000),
        ("a.scss", "(" * 300_000),
        ("a.html", "<td>" * 200_000),
        ("a.html", "<table><tr>" * 100_000),
        ("a.svg", "<svg>" * 100_000),
        ("a.svg", '<!DOCTYPE x [<!ENTITY a "aaaa">]><svg>&a;</svg>'),
        ("a.json", '{"a":' * 100_000),
        ("a.ts", "themes = " + "{" * 200_000),
        ("a.csv", "name,day\n" + '"' * 300_000),
        ("a.gpl", "GIMP Palette\n" + "1 " * 300_000),
        ("a.css", "\0" * 1000),
    ):
        begun = time.process_time()
        with pytest.raises(DomainError):
            sheet(text, name)
        assert time.process_time() - begun < 10.0, (name, text[:20])
