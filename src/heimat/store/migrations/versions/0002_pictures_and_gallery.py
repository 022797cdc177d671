"""Pictures in pieces, and the gallery of color sets."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.mysql import DATETIME, MEDIUMBLOB

revision = "0002"
down_revision = "0001"

# Each statement may have run before: a process can be killed between any two.
_OPTIONS = {
    "if_not_exists": True,
    "mysql_engine": "InnoDB",
    "mysql_charset": "utf8mb4",
    "mysql_collate": "utf8mb4_bin",
}


def upgrade() -> None:
    op.create_table(
        "picture",
        sa.Column("id", sa.BigInteger, primary_key=True, autoincrement=True),
        sa.Column("system_id", sa.BigInteger, sa.ForeignKey("system.id"), nullable=False),
        sa.Column("name", sa.String(120), nullable=False),
        sa.Column("media_type", sa.String(40), nullable=False),
        sa.Column(
            "digest",
            sa.String(64),
            nullable=False,
            comment="SHA-256 of the bytes: the same picture is kept once",
        ),
        sa.Column("width", sa.Integer, nullable=False),
        sa.Column("height", sa.Integer, nullable=False),
        sa.Column("size", sa.Integer, nullable=False, comment="bytes"),
        sa.Column("person_id", sa.String(40), sa.ForeignKey("person.id"), nullable=False),
        sa.Column("at", DATETIME(fsp=6), nullable=False),
        sa.UniqueConstraint("system_id", "digest"),
        **_OPTIONS,
    )
    op.create_table(
        "picture_chunk",
        sa.Column(
            "picture_id",
            sa.BigInteger,
            sa.ForeignKey("picture.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("place", sa.Integer, primary_key=True, autoincrement=False),
        sa.Column(
            "bytes",
            MEDIUMBLOB,
            nullable=False,
            comment="1 MB at most: longer packets are dropped by the server",
        ),
        **_OPTIONS,
    )
    op.create_table(
        "gallery_set",
        sa.Column("id", sa.BigInteger, primary_key=True, autoincrement=True),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("words", sa.String(400), nullable=False),
        sa.Column(
            "search",
            sa.Text,
            nullable=False,
            comment="name, words and color names as they are searched",
        ),
        sa.Column("shipped", sa.Boolean, nullable=False),
        sa.Column("person_id", sa.String(40), sa.ForeignKey("person.id"), nullable=True),
        sa.Column("at", DATETIME(fsp=6), nullable=False),
        **_OPTIONS,
    )
    op.create_table(
        "gallery_color",
        sa.Column(
            "set_id",
            sa.BigInteger,
            sa.ForeignKey("gallery_set.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("place", sa.Integer, primary_key=True, autoincrement=False),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("hex", sa.String(7), nullable=False),
        sa.Column(
            "ok_l",
            sa.Double,
            nullable=False,
            comment="OKLab, by which sets are found that hold a like color",
        ),
        sa.Column("ok_a", sa.Double, nullable=False),
        sa.Column("ok_b", sa.Double, nullable=False),
        **_OPTIONS,
    )
    op.create_index(
        "gallery_color_by_lightness", "gallery_color", ["ok_l", "ok_a", "ok_b"], if_not_exists=True
    )


def downgrade() -> None:
    for table in ("gallery_color", "gallery_set", "picture_chunk", "picture"):
        op.drop_table(table)
