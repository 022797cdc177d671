"""Whatever somebody pastes is read in time that grows no faster than the text, and within one limit."""

import json
import time
from collections.abc import Callable

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.color_lines import Reading, read_lines
from heimat.core.errors import DomainError
from heimat.demo.demo_systems import brinemark
from heimat.formats.read import read_any, read_css, read_csv, read_script, read_svg, read_tokens
from heimat.formats.read.allowance import MOST_ROWS, SECONDS, Allowance
from heimat.formats.read.reading import Found
from heimat.formats.set_text import read_back

SIGNS = [
    *"{}()[]:;,.#<>@!&*+-=_/\\\"' \n\t\r\0|$%~^?aA0f",
    *(
        "$a:",
        "a: '",
        "'#fff'",
        ";\n@b:",
        "/*",
        "*/",
        "//",
        "--",
        "--a:",
        "a{",
        "a:b",
        "url(",
        "rgb(",
        "var(--",
        "#0b6e6e",
        "hsb ",
        "from",
        "<svg ",
        "</",
    ),
    *(
        "<!--",
        "]]>",
        '{"a":',
        '{"$value":"{a}"}',
        "\u00e9",
        "\ufeff",
        "\U0001f3a8",
        "e\u0301",
        "1e",
        "none",
    ),
]
STARTS = [
    "",
    "const a = {",
    "$a: (",
    "{",
    "a{",
    "a{b:",
    '{"a":',
    "<svg>",
    "name,value\n",
    ":root{--a:",
    "/*",
    '"',
    "@media (",
    "$a: (",
]
READERS: dict[str, Callable[[str], object]] = {
    "anything": lambda text: read_any.read(text),
    "list": read_lines,
    "stylesheet": read_css.read,
    "table": read_csv.read,
    "drawing": read_svg.read,
    "token file": read_tokens.read,
    "script": read_script.read,
}
SHORT, TIMES = 33_000, 8
"""Signs: more than any reader takes in one piece, and so many times more of them."""
NOISE = 0.06
"""Seconds that a machine with other things to do may take of any measurement."""
SLACK = 2.5
"""How much more than in proportion: quadratic would be eight times."""


def seconds(reader: Callable[[str], object], text: str) -> float:
    begun = time.thread_time()
    reader(text)
    return time.thread_time() - begun


@pytest.mark.parametrize("name", READERS)
@settings(max_examples=15)
@given(
    start=st.sampled_from(STARTS),
    unit=st.lists(st.sampled_from(SIGNS), min_size=1, max_size=3).map("".join),
    end=st.sampled_from(["", "}", ")", ";", '"', "\n"]),
)
def test_time_grows_no_faster_than_the_text(name: str, start: str, unit: str, end: str):
    reader = READERS[name]

    def text(length: int) -> str:
        return start + unit * (length // len(unit)) + end

    short = max(seconds(reader, text(SHORT)), 0.001)
    long = seconds(reader, text(SHORT * TIMES))
    if long > SLACK * TIMES * short + NOISE:
        # Once more, for a machine that was busy elsewhere.
        long = min(long, seconds(reader, text(SHORT * TIMES)))
    assert long <= SLACK * TIMES * short + NOISE, (start, unit, end)


def stylesheet(rows: int) -> str:
    return "".join(f".a{n} {{ color: #{n:06x} }}\n" for n in range(rows))


MANY: dict[str, Callable[[int], str]] = {
    "stylesheet": stylesheet,
    "table": lambda rows: (
        "name,value\n" + "".join(f"n{n},lch({n % 90} 20 {n % 360}.{n})\n" for n in range(rows))
    ),
    "no colors": lambda rows: "name,value\n" + "".join(f"n{n},zz{n}\n" for n in range(rows)),
    "tokens": lambda rows: json.dumps(
        {f"t{n}": {"$type": "color", "$value": f"#{n:06x}"} for n in range(rows)}
    ),
    "aliases": lambda rows: json.dumps(
        {f"t{n}": {"$type": "color", "$value": f"{{t{n + 1}}}"} for n in range(rows)}
        | {f"t{rows}": {"$value": "#0B6E6E"}}
    ),
    "one loop": lambda rows: json.dumps(
        {f"t{n}": {"$type": "color", "$value": f"{{t{(n + 1) % rows}}}"} for n in range(rows)}
    ),
    "one map": lambda rows: (
        "$all: (\n" + "".join(f"  c{n}: #{n:06x},\n" for n in range(rows)) + ");\n"
    ),
    "drawing": lambda rows: (
        "<svg>" + "".join(f'<path style="fill:#{n:06x}"/>' for n in range(rows)) + "</svg>"
    ),
    "list": lambda rows: "\n".join(f"no color {n}" for n in range(rows)),
}


ROWS = {"table": 40_000, "aliases": 90_000, "one loop": 90_000}
"""What stays within the limit of rows: the slowest notation, and aliases, of which each may lead far."""


@pytest.mark.parametrize("what", MANY)
def test_long_files_are_read_within_the_limit_and_it_is_said_where_reading_stopped(what: str):
    text = MANY[what](ROWS.get(what, MOST_ROWS + 5_000))
    begun = time.monotonic()
    reading = read_any.read(text)
    assert time.monotonic() - begun < SECONDS + 4
    assert reading.lines
    if what not in ("list", *ROWS):
        assert (
            f"{MOST_ROWS:,} rows" in reading.stopped or f"{SECONDS:.0f} seconds" in reading.stopped
        )
    if what == "aliases":
        assert all(line.color for line in reading.lines)
    if what == "one loop":
        assert all(
            line.problem and "a loop" in line.problem and len(line.problem) < 200
            for line in reading.lines
        )


@pytest.mark.parametrize("what", ["stylesheet", "table", "tokens", "drawing"])
def test_a_reader_whose_time_is_over_says_so_and_gives_what_it_has(what: str):
    over = Allowance(seconds=0.0)
    assert not over.in_time(7)
    assert over.stopped.startswith("Stopped before line 7: 0 seconds")
    found = Found("stylesheet", Allowance(seconds=0.0))
    read_css.collect(stylesheet(200), found)
    assert "Stopped" in found.reading().stopped


def test_a_row_that_is_too_long_is_told_where_it_stands():
    reading: Reading = read_any.read(
        "name,value\nkelp,#3F8F4F\nlong," + "x" * 200_000 + "\nflare,#BF3650\n"
    )
    assert [line.name for line in reading.lines] == ["kelp"]
    assert reading.stopped.startswith("Stopped before line 3: the table cannot be read there")


def test_a_set_with_more_lines_than_hues_is_refused_before_it_is_read():
    begun = time.process_time()
    with pytest.raises(DomainError, match=r"at most 200 hues; this text has 10,000 lines"):
        read_back(brinemark(), "\n".join(f"hue {n}: #{n:06x}" for n in range(10_000)))
    assert time.process_time() - begun < 1.0
