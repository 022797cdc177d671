"""Reading data: separators, decimal signs, days, what is passed over, and what is no table."""

import numpy as np
import pytest

from heimat.core.errors import DomainError
from heimat.demo.sailings import SAILINGS, sailings
from heimat.formats.read.table import read_table


def test_the_demos_data_are_what_its_module_makes_and_are_read_whole():
    assert SAILINGS.read_text() == sailings()
    table = read_table(SAILINGS.read_bytes())
    kinds = {column.name: column.kind for column in table.columns}
    assert kinds["route"] == kinds["departure"] == "word"
    assert kinds["date"] == "day"
    assert kinds["load"] == kinds["delay"] == kinds["sea state"] == "number"
    assert table.notes == ()
    numbers = {name: table.column(name).numbers for name in ("load", "passengers", "adult", "child", "senior")}
    assert (numbers["load"] >= 0.0).all()
    assert (numbers["load"] <= 1.0).all()
    fares = sum(table.column(name).numbers for name in ("adult", "child", "senior", "commuter", "bicycle"))
    assert (fares == numbers["passengers"]).all()


@pytest.mark.parametrize("separator", [",", ";", "\t"])
def test_separators_and_decimal_signs_are_found(separator):
    point = read_table(f"quay{separator}load\nMerrow{separator}0.5\nPellan{separator}1.25\n".encode())
    assert point.column("load").numbers.tolist() == [0.5, 1.25]
    if separator != ",":
        comma = read_table(f"quay{separator}fares\nMerrow{separator}1.234,5\nPellan{separator}12 %\n".encode())
        assert comma.column("fares").numbers.tolist() == [1234.5, 0.12]


def test_what_people_bring_is_read_and_what_is_passed_over_is_said():
    text = (
        "\ufeffroute;load;load;\nA;0,5;1;x\nB;0.75;=A1*2;y\n\nC;n/a;2\nD;1,25;3;z;more\nE;2.5;4;w\n" + "F;1;5;v\n" * 20
    )
    table = read_table(text.encode())
    assert [column.name for column in table.columns] == ["route", "load", "load 2", "column 4"]
    assert table.column("load").numbers[:5].tolist()[0] == 0.5
    assert table.column("load").numbers[1] == 0.75
    assert np.isnan(table.column("load").numbers[2])
    said = " ".join(table.notes)
    assert "1 cells hold formulas" in said
    assert "decimal comma and some a point" in said
    assert "2 rows have more or fewer cells" in said
    latin = read_table("quay,höhe\nMerrow,1\nPellan,2\n".encode("cp1252"))
    assert latin.columns[1].name == "höhe"
    wide = read_table("a\tb\n1\t2\n".encode("utf-16"))
    assert wide.column("b").numbers.tolist() == [2.0]


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "empty"),
        ("one column\n1\n2\n", "no table"),
        ("route,quay\nA,B\nC,D\n", "nothing to draw"),
        ("only,headings\n", "no table"),
        ('route,load\nA,"' + "x" * 200_000, "cannot be read"),
    ],
)
def test_what_is_no_table_says_so(text, words):
    with pytest.raises(DomainError, match=words):
        read_table(text.encode())


def test_hostile_tables_are_read_in_time_or_refused():
    deep = "a,b\n" + "9" * 400 + ",1\n" + "1e400,2\n-,3\n"
    table = read_table(deep.encode())
    assert table.column("b").numbers.tolist() == [1.0, 2.0, 3.0]
    many = "a,b\n" + "1,2\n" * 250_000
    table = read_table(many.encode())
    assert table.rows == 200_000
    assert "50,000 rows" in table.notes[0]
    assert read_table(b"a,b\n\x00\xff1,2\n").rows == 1
