"""The first tables: people, systems, alternatives, revisions, releases and their files."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.mysql import DATETIME, LONGBLOB, MEDIUMBLOB

revision = "0001"
down_revision = None

# Each statement may have run before: a process can be killed between any two.
_OPTIONS = {
    "if_not_exists": True,
    "mysql_engine": "InnoDB",
    "mysql_charset": "utf8mb4",
    "mysql_collate": "utf8mb4_bin",
}


def _id() -> sa.Column[int]:
    return sa.Column("id", sa.BigInteger, primary_key=True, autoincrement=True)


def _to(target: str, name: str, *, nullable: bool = False) -> sa.Column[int]:
    return sa.Column(name, sa.BigInteger, sa.ForeignKey(target), nullable=nullable)


def _by() -> sa.Column[str]:
    return sa.Column("person_id", sa.String(40), sa.ForeignKey("person.id"), nullable=False)


def _at() -> sa.Column[object]:
    return sa.Column("at", DATETIME(fsp=6), nullable=False)


def upgrade() -> None:
    op.execute("ALTER DATABASE CHARACTER SET utf8mb4 COLLATE utf8mb4_bin")
    op.create_table(
        "person",
        sa.Column("id", sa.String(40), primary_key=True),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("role", sa.String(80), nullable=False),
        **_OPTIONS,
    )
    op.create_table(
        "system",
        _id(),
        sa.Column("slug", sa.String(80), nullable=False, unique=True),
        sa.Column("name", sa.String(80), nullable=False),
        _at(),
        **_OPTIONS,
    )
    op.create_table(
        "alternative",
        _id(),
        _to("system.id", "system_id"),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("base_revision_id", sa.BigInteger, nullable=True),
        sa.Column("head_revision_id", sa.BigInteger, nullable=True),
        sa.UniqueConstraint("system_id", "name"),
        **_OPTIONS,
    )
    op.create_table(
        "revision",
        _id(),
        _to("alternative.id", "alternative_id"),
        _to("revision.id", "parent_id", nullable=True),
        sa.Column("number", sa.Integer, nullable=False),
        _by(),
        _at(),
        sa.Column("kind", sa.String(8), nullable=False, comment="open, edit, undo or redo"),
        _to("revision.id", "undoes_id", nullable=True),
        sa.Column(
            "request_key",
            sa.String(64),
            nullable=False,
            comment="a repeated request finds the revision it made",
        ),
        sa.Column("sentence", sa.Text, nullable=False),
        sa.Column("edits", MEDIUMBLOB, nullable=False, comment="compressed JSON"),
        sa.Column("inverse", MEDIUMBLOB, nullable=False, comment="compressed JSON"),
        sa.Column(
            "touched",
            MEDIUMBLOB,
            nullable=False,
            comment="compressed JSON: the places read and written",
        ),
        sa.Column("document", LONGBLOB, nullable=False, comment="compressed JSON"),
        sa.UniqueConstraint("alternative_id", "number"),
        sa.UniqueConstraint("alternative_id", "request_key"),
        **_OPTIONS,
    )
    op.create_table(
        "release",
        _id(),
        _to("system.id", "system_id"),
        _to("alternative.id", "alternative_id"),
        _to("revision.id", "revision_id"),
        sa.Column("major", sa.Integer, nullable=False),
        sa.Column("minor", sa.Integer, nullable=False),
        sa.Column("patch", sa.Integer, nullable=False),
        sa.Column("notes", sa.Text, nullable=False),
        _by(),
        _at(),
        sa.Column("digest", sa.String(64), nullable=False, comment="SHA-256 of the publication"),
        sa.Column("publication", MEDIUMBLOB, nullable=False, comment="compressed JSON"),
        sa.UniqueConstraint("system_id", "major", "minor", "patch"),
        **_OPTIONS,
    )
    op.create_table(
        "release_file",
        sa.Column("release_id", sa.BigInteger, sa.ForeignKey("release.id"), primary_key=True),
        sa.Column("name", sa.String(80), primary_key=True),
        sa.Column("media_type", sa.String(80), nullable=False),
        sa.Column("digest", sa.String(64), nullable=False, comment="SHA-256 of the bytes"),
        sa.Column("bytes", LONGBLOB, nullable=False),
        **_OPTIONS,
    )


def downgrade() -> None:
    for table in ("release_file", "release", "revision", "alternative", "system", "person"):
        op.drop_table(table)
