"""Reading data: separators, decimal signs, days, what is passed over, and what is no table."""

from datetime import date

import numpy as np
import pytest

from heimat.core.errors import DomainError
from heimat.demo.sailings import SAILINGS, sailings
from heimat.formats.read.read_table import read_table


def test_the_demos_data_are_what_its_module_makes_and_are_read_whole():
    assert SAILINGS.read_text() == sailings()
    table = read_table(SAILINGS.read_bytes())
    kinds = {column.name: column.kind for column in table.columns}
    assert kinds["route"] == kinds["departure"] == "word"
    assert kinds["date"] == "day"
    assert kinds["load"] == kinds["delay"] == kinds["sea state"] == "number"
    assert table.notes == ()
    numbers = {
        name: table.column(name).numbers
        for name in ("load", "passengers", "adult", "child", "senior")
    }
    assert (numbers["load"] >= 0.0).all()
    assert (numbers["load"] <= 1.0).all()
    fares = sum(
        table.column(name).numbers for name in ("adult", "child", "senior", "commuter", "bicycle")
    )
    assert (fares == numbers["passengers"]).all()


@pytest.mark.parametrize("separator", [",", ";", "\t"])
def test_separators_and_decimal_signs_are_found(separator):
    point = read_table(
        f"quay{separator}load\nMerrow{separator}0.5\nPellan{separator}1.25\n".encode()
    )
    assert point.column("load").numbers.tolist() == [0.5, 1.25]
    if separator != ",":
        comma = read_table(
            f"quay{separator}fares\nMerrow{separator}1.234,5\nPellan{separator}12 %\n".encode()
        )
        assert comma.column("fares").numbers.tolist() == [1234.5, 0.12]


def test_what_people_bring_is_read_and_what_is_passed_over_is_said():
    text = (
        "\ufeffroute;load;load;\nA;0,5;1;x\nB;0.75;=A1*2;y\n\nC;n/a;2\nD;1,25;3;z;more\nE;2.5;4;w\n"
        + "F;1;5;v\n" * 20
    )
    table = read_table(text.encode())
    assert [column.name for column in table.columns] == ["route", "load", "load 2", "column 4"]
    assert table.column("load").numbers[:5].tolist()[0] == 0.5
    assert table.column("load").numbers[1] == 0.75
    assert np.isnan(table.column("load").numbers[2])
    said = " ".join(table.notes)
    assert "1 cell holds a formula" in said
    assert "decimal comma and some a point" in said
    assert "2 rows have more or fewer cells" in said
    latin = read_table("quay,höhe\nMerrow,1\nPellan,2\n".encode("cp1252"))
    assert latin.columns[1].name == "höhe"
    wide = read_table("a\tb\n1\t2\n".encode("utf-16"))
    assert wide.column("b").numbers.tolist() == [2.0]


def days(*found):
    return [(date(*each) - date(1970, 1, 1)).days for each in found]


def test_a_table_as_an_office_saves_it_is_read_without_its_titles_and_totals():
    table = read_table(
        "\ufeffSailings of May;;;\n;;;\nRoute;Datum;Verspätung;Auslastung\n"
        "Skarvik–Tarnsey;01.05.26;-2,5;45 %\nHolm Ness–Skarvik;02.05.26;1.234,5;67 %\n"
        "Tarnsey–Oldhaven;03.05.26;;12,5 %\nSumme;;1.232,0;\n".encode()
    )
    assert [column.kind for column in table.columns] == ["word", "day", "number", "number"]
    assert table.rows == 3
    assert table.column("Datum").numbers.tolist() == days((2026, 5, 1), (2026, 5, 2), (2026, 5, 3))
    assert table.column("Verspätung").numbers[:2].tolist() == [-2.5, 1234.5]
    assert table.column("Auslastung").numbers.tolist() == [0.45, 0.67, 0.125]
    assert "“Sailings of May”" in table.notes[0]
    assert "“Summe”" in table.notes[1]


def test_a_category_called_total_is_no_row_of_totals():
    table = read_table(b"route,fare,passengers\nA,adult,3\nA,total,4\nB,adult,5\nB,total,6\n")
    assert (table.rows, table.notes) == (4, ())


@pytest.mark.parametrize(
    ("cells", "found"),
    [
        (["$12.50", "-$9", "($3.25)", "€1,204"], [12.5, -9.0, -3.25, 1204.0]),
        (["−3", "–4", "+5", "1'234'567"], [-3.0, -4.0, 5.0, 1234567.0]),
        (["1.2345", "5.2026", "12.1999", "7.0001"], [1.2345, 5.2026, 12.1999, 7.0001]),
        (["1.5e3", "2E-2", "3", "4"], [1500.0, 0.02, 3.0, 4.0]),
    ],
)
def test_numbers_as_accounts_and_programs_write_them(cells, found):
    rows = "".join(f'\nquay,"{cell}"' for cell in cells)
    assert read_table(f"place,value{rows}\n".encode()).column("value").numbers.tolist() == found


@pytest.mark.parametrize(
    ("name", "cells", "found"),
    [
        ("at", ["5/13/2026", "5/2/2026"], days((2026, 5, 13), (2026, 5, 2))),
        ("at", ["13/5/2026", "2/5/2026"], days((2026, 5, 13), (2026, 5, 2))),
        ("at", ["2026-05-01T07:40:00", "2026/05/02 08:05"], days((2026, 5, 1), (2026, 5, 2))),
        ("at", ["2026-01", "2026-11"], days((2026, 1, 1), (2026, 11, 1))),
        ("at", ["Jan 2026", "sept 2026"], days((2026, 1, 1), (2026, 9, 1))),
        ("at", ["1 May 2026", "May 2, 2026"], days((2026, 5, 1), (2026, 5, 2))),
        ("at", ["31.12.99", "1.1.00"], days((1999, 12, 31), (2000, 1, 1))),
        ("Year", ["2021", "2022"], days((2021, 1, 1), (2022, 1, 1))),
    ],
)
def test_days_months_and_years_as_people_write_them(name, cells, found):
    rows = "".join(f'\n"{cell}",1' for cell in cells)
    table = read_table(f"{name},sailings{rows}\n".encode())
    assert (table.column(name).kind, table.column(name).numbers.tolist()) == ("day", found)
    assert table.notes == ()


@pytest.mark.parametrize(
    ("headings", "found"),
    [
        ("Jan,Feb,Mar", days((2001, 1, 1), (2001, 2, 1), (2001, 3, 1))),
        ("2021,2022,2023", days((2021, 1, 1), (2022, 1, 1), (2023, 1, 1))),
        ("2026-05,2026-06,2026-07", days((2026, 5, 1), (2026, 6, 1), (2026, 7, 1))),
    ],
)
def test_times_in_the_headings_are_one_column(headings, found):
    table = read_table(f"route,{headings}\nA,1,2,3\nB,4,,6\n".encode())
    assert [(column.name, column.kind) for column in table.columns] == [
        ("route", "word"),
        ("time", "day"),
        ("value", "number"),
    ]
    assert table.column("route").words == ("A",) * 3 + ("B",) * 3
    assert table.column("time").numbers.tolist() == found * 2
    assert [None if np.isnan(each) else each for each in table.column("value").numbers] == [
        1,
        2,
        3,
        4,
        None,
        6,
    ]
    assert "are read as one column of times" in table.notes[0]
    assert len(table.notes) == 1
    # Two of them, or measures of their own, stay what they are.
    assert len(read_table(b"route,Jan,Feb\nA,1,2\n").columns) == 3
    assert len(read_table(b"route,adult,child,May\nA,1,2,3\n").columns) == 4


def test_addresses_and_versions_of_more_parts_are_words():
    table = read_table(b"server,at,load\nkelp,10.1.12.5,1\ngorse,10.2.12.6,2\n")
    assert [column.kind for column in table.columns] == ["word", "word", "number"]


def test_what_could_be_read_two_ways_is_said():
    table = read_table(b"at,sailings\n3/4/2026,1\n5/5/2026,2\n")
    assert table.notes == ("In at the month is read first: 3/4/2026 is 4 March 2026.",)
    assert read_table(b"Alke,1,2\nTern,3,4\n").notes == (
        "The first row holds numbers too; it is taken for the headings.",
    )
    assert read_table(b"at;sailings, all;late\n1;2,5;3\n").column(
        "sailings, all"
    ).numbers.tolist() == [2.5]


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
