"""Systems that are put away: they stay, and lists leave them out."""

from alembic import op

revision = "0010"
down_revision = "0009"


def upgrade() -> None:
    op.execute(
        "ALTER TABLE `system` ADD COLUMN IF NOT EXISTS archived BOOL NOT NULL DEFAULT 0 "
        "COMMENT 'whether lists leave it out'"
    )


def downgrade() -> None:
    op.execute("ALTER TABLE `system` DROP COLUMN IF EXISTS archived")
