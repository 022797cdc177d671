"""The tables. Every text is utf8mb4; names and keys compare exactly (utf8mb4_bin), times are UTC."""

from typing import Any

from sqlalchemy import (
    BigInteger,
    Boolean,
    Column,
    Double,
    ForeignKey,
    Index,
    Integer,
    MetaData,
    String,
    Table,
    Text,
    UniqueConstraint,
)
from sqlalchemy.dialects.mysql import DATETIME, LONGBLOB, MEDIUMBLOB

COLLATION = "utf8mb4_bin"
metadata = MetaData()
_OPTIONS: dict[str, Any] = {
    "mysql_engine": "InnoDB",
    "mysql_charset": "utf8mb4",
    "mysql_collate": COLLATION,
}


def _id() -> Column[int]:
    return Column("id", BigInteger, primary_key=True, autoincrement=True)


def _at() -> Column[object]:
    return Column("at", DATETIME(fsp=6), nullable=False)


def _file() -> tuple[Column[Any], ...]:
    """A file by its name: its bytes, and the same bytes compressed, where that is smaller."""
    return (
        Column("name", String(300), primary_key=True),
        Column("media_type", String(80), nullable=False),
        Column("digest", String(64), nullable=False, comment="SHA-256 of the bytes"),
        Column("bytes", LONGBLOB, nullable=False),
        Column(
            "gzip",
            LONGBLOB,
            nullable=True,
            comment="the same bytes compressed, where that is smaller",
        ),
        Column("brotli", LONGBLOB, nullable=True),
    )


person = Table(
    "person",
    metadata,
    Column("id", String(40), primary_key=True),
    Column("name", String(80), nullable=False),
    Column("role", String(80), nullable=False),
    **_OPTIONS,
)

system = Table(
    "system",
    metadata,
    _id(),
    Column("slug", String(80), nullable=False, unique=True),
    Column("name", String(80), nullable=False),
    _at(),
    Column(
        "archived",
        Boolean,
        nullable=False,
        server_default="0",
        comment="whether lists leave it out",
    ),
    **_OPTIONS,
)

alternative = Table(
    "alternative",
    metadata,
    _id(),
    Column("system_id", BigInteger, ForeignKey("system.id"), nullable=False),
    Column("name", String(80), nullable=False),
    # The revisions refer to their alternative, so these two cannot be foreign keys as well.
    Column("base_revision_id", BigInteger, nullable=True),
    Column("head_revision_id", BigInteger, nullable=True),
    Column(
        "card", MEDIUMBLOB, nullable=True, comment="compressed JSON: what lists show of the head"
    ),
    Column("share_key", String(40), nullable=True, unique=True, comment="who has it may look"),
    UniqueConstraint("system_id", "name"),
    **_OPTIONS,
)

revision = Table(
    "revision",
    metadata,
    _id(),
    Column("alternative_id", BigInteger, ForeignKey("alternative.id"), nullable=False),
    Column("parent_id", BigInteger, ForeignKey("revision.id"), nullable=True),
    Column("number", Integer, nullable=False),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    Column("kind", String(8), nullable=False, comment="open, edit, undo, redo, tidy or pass"),
    Column("undoes_id", BigInteger, ForeignKey("revision.id"), nullable=True),
    Column(
        "request_key",
        String(64),
        nullable=False,
        comment="a repeated request finds the revision it made",
    ),
    Column(
        "sent",
        String(64),
        nullable=True,
        comment="SHA-256 of what the request sent; null for what none has sent",
    ),
    Column("sentence", Text, nullable=False),
    Column("edits", MEDIUMBLOB, nullable=False, comment="compressed JSON"),
    Column("inverse", MEDIUMBLOB, nullable=False, comment="compressed JSON"),
    Column(
        "touched",
        MEDIUMBLOB,
        nullable=False,
        comment="compressed JSON: the places read and written",
    ),
    Column("document", LONGBLOB, nullable=False, comment="compressed JSON"),
    UniqueConstraint("alternative_id", "number"),
    UniqueConstraint("alternative_id", "request_key"),
    **_OPTIONS,
)

release = Table(
    "release",
    metadata,
    _id(),
    Column("system_id", BigInteger, ForeignKey("system.id"), nullable=False),
    Column("alternative_id", BigInteger, ForeignKey("alternative.id"), nullable=False),
    Column("revision_id", BigInteger, ForeignKey("revision.id"), nullable=False),
    Column("major", Integer, nullable=False),
    Column("minor", Integer, nullable=False),
    Column("patch", Integer, nullable=False),
    Column("notes", Text, nullable=False),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    Column("digest", String(64), nullable=False, comment="SHA-256 of the publication"),
    Column("publication", MEDIUMBLOB, nullable=False, comment="compressed JSON"),
    UniqueConstraint("system_id", "major", "minor", "patch"),
    **_OPTIONS,
)

release_file = Table(
    "release_file",
    metadata,
    Column("release_id", BigInteger, ForeignKey("release.id"), primary_key=True),
    *_file(),
    **_OPTIONS,
)

feed = Table(
    "feed",
    metadata,
    Column("system_id", BigInteger, ForeignKey("system.id"), primary_key=True, autoincrement=False),
    Column("keyed", Boolean, nullable=False),
    **_OPTIONS,
)

feed_key = Table(
    "feed_key",
    metadata,
    _id(),
    Column("system_id", BigInteger, ForeignKey("system.id"), nullable=False),
    Column("name", String(80), nullable=False),
    Column(
        "digest",
        String(64),
        nullable=False,
        unique=True,
        comment="SHA-256 of the key, which nobody keeps",
    ),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    Column("revoked_at", DATETIME(fsp=6), nullable=True),
    Column("used_at", DATETIME(fsp=6), nullable=True),
    Column("used_version", String(60), nullable=True),
    Column("report", MEDIUMBLOB, nullable=True, comment="compressed JSON: what a check found last"),
    **_OPTIONS,
)

preview = Table(
    "preview",
    metadata,
    _id(),
    Column("system_id", BigInteger, ForeignKey("system.id"), nullable=False),
    Column("name", String(40), nullable=False),
    Column("version", String(60), nullable=False),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    UniqueConstraint("system_id", "name"),
    **_OPTIONS,
)

preview_file = Table(
    "preview_file",
    metadata,
    Column(
        "preview_id", BigInteger, ForeignKey("preview.id", ondelete="CASCADE"), primary_key=True
    ),
    *_file(),
    **_OPTIONS,
)

counter = Table(
    "counter",
    metadata,
    Column(
        "of",
        BigInteger,
        primary_key=True,
        autoincrement=False,
        comment="a system; 0 for the installation",
    ),
    Column("number", BigInteger, nullable=False),
    **_OPTIONS,
)

claim = Table(
    "claim",
    metadata,
    Column("of", String(120), primary_key=True),
    Column("holder", String(40), nullable=False),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=True),
    Column("until", DATETIME(fsp=6), nullable=False),
    **_OPTIONS,
)

unprinted = Table(
    "unprinted",
    metadata,
    Column(
        "release_id",
        BigInteger,
        ForeignKey("release.id", ondelete="CASCADE"),
        primary_key=True,
        autoincrement=False,
    ),
    Column("tries", Integer, nullable=False),
    **_OPTIONS,
)

own_page = Table(
    "own_page",
    metadata,
    Column("system_id", BigInteger, ForeignKey("system.id"), primary_key=True, autoincrement=False),
    Column("markup", LONGBLOB, nullable=False, comment="compressed HTML"),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    **_OPTIONS,
)

typeface = Table(
    "typeface",
    metadata,
    Column("system_id", BigInteger, ForeignKey("system.id"), primary_key=True, autoincrement=False),
    Column("name", String(120), nullable=False),
    Column("media_type", String(40), nullable=False),
    Column("content", MEDIUMBLOB, nullable=False),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    **_OPTIONS,
)

reading_test = Table(
    "reading_test",
    metadata,
    _id(),
    Column("system_id", BigInteger, ForeignKey("system.id"), nullable=False),
    Column("share_key", String(40), nullable=False, unique=True),
    Column("ink", String(7), nullable=False),
    Column("ground", String(7), nullable=False),
    Column("px", Integer, nullable=False),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    UniqueConstraint("system_id", "ink", "ground", "px"),
    **_OPTIONS,
)

reader = Table(
    "reader",
    metadata,
    _id(),
    Column(
        "test_id", BigInteger, ForeignKey("reading_test.id", ondelete="CASCADE"), nullable=False
    ),
    Column("reader_key", String(40), nullable=False, unique=True),
    Column("figures", String(200), nullable=False),
    _at(),
    Column("answered", Boolean, nullable=False),
    **_OPTIONS,
)

reading_answer = Table(
    "reading_answer",
    metadata,
    _id(),
    Column(
        "test_id", BigInteger, ForeignKey("reading_test.id", ondelete="CASCADE"), nullable=False
    ),
    Column("shown", Integer, nullable=False),
    Column("read", Integer, nullable=False),
    _at(),
    **_OPTIONS,
)

dataset = Table(
    "dataset",
    metadata,
    _id(),
    Column("system_id", BigInteger, ForeignKey("system.id"), nullable=False),
    Column("name", String(120), nullable=False),
    Column(
        "digest",
        String(64),
        nullable=False,
        comment="SHA-256 of the bytes: the same data are kept once",
    ),
    Column("content", MEDIUMBLOB, nullable=False, comment="compressed"),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    Column("summary", MEDIUMBLOB, nullable=True, comment="compressed JSON: what lists say of it"),
    UniqueConstraint("system_id", "digest"),
    **_OPTIONS,
)

picture = Table(
    "picture",
    metadata,
    _id(),
    Column("system_id", BigInteger, ForeignKey("system.id"), nullable=False),
    Column("name", String(120), nullable=False),
    Column("media_type", String(40), nullable=False),
    Column(
        "digest",
        String(64),
        nullable=False,
        comment="SHA-256 of the bytes: the same picture is kept once",
    ),
    Column("width", Integer, nullable=False),
    Column("height", Integer, nullable=False),
    Column("size", Integer, nullable=False, comment="bytes"),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=False),
    _at(),
    UniqueConstraint("system_id", "digest"),
    **_OPTIONS,
)

picture_chunk = Table(
    "picture_chunk",
    metadata,
    Column(
        "picture_id", BigInteger, ForeignKey("picture.id", ondelete="CASCADE"), primary_key=True
    ),
    Column("place", Integer, primary_key=True, autoincrement=False),
    Column(
        "bytes",
        MEDIUMBLOB,
        nullable=False,
        comment="1 MB at most: longer packets are dropped by the server",
    ),
    **_OPTIONS,
)

gallery_set = Table(
    "gallery_set",
    metadata,
    _id(),
    Column("name", String(80), nullable=False),
    Column("words", String(400), nullable=False),
    Column(
        "search", Text, nullable=False, comment="name, words and color names as they are searched"
    ),
    Column("shipped", Boolean, nullable=False),
    Column("person_id", String(40), ForeignKey("person.id"), nullable=True),
    _at(),
    **_OPTIONS,
)

gallery_color = Table(
    "gallery_color",
    metadata,
    Column(
        "set_id", BigInteger, ForeignKey("gallery_set.id", ondelete="CASCADE"), primary_key=True
    ),
    Column("place", Integer, primary_key=True, autoincrement=False),
    Column("name", String(80), nullable=False),
    Column("hex", String(7), nullable=False),
    Column(
        "ok_l",
        Double,
        nullable=False,
        comment="OKLab, by which sets are found that hold a like color",
    ),
    Column("ok_a", Double, nullable=False),
    Column("ok_b", Double, nullable=False),
    Index("gallery_color_by_lightness", "ok_l", "ok_a", "ok_b"),
    **_OPTIONS,
)
