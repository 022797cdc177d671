"""Cards of heads for the list of systems, and release files compressed once."""

from alembic import op

revision = "0003"
down_revision = "0002"


def upgrade() -> None:
    op.execute(
        "ALTER TABLE alternative ADD COLUMN IF NOT EXISTS card MEDIUMBLOB NULL "
        "COMMENT 'compressed JSON: what lists show of the head'"
    )
    op.execute(
        "ALTER TABLE release_file ADD COLUMN IF NOT EXISTS gzip LONGBLOB NULL "
        "COMMENT 'the same bytes compressed, where that is smaller', ADD COLUMN IF NOT EXISTS brotli LONGBLOB NULL"
    )
    # A selection's name stands in a file's name, and grows where it is normalized.
    op.execute(
        "ALTER TABLE release_file MODIFY name VARCHAR(300) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL"
    )
    op.execute(
        "ALTER TABLE revision MODIFY kind VARCHAR(8) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL "
        "COMMENT 'open, edit, undo, redo or tidy'"
    )


def downgrade() -> None:
    op.execute("ALTER TABLE release_file DROP COLUMN IF EXISTS gzip, DROP COLUMN IF EXISTS brotli")
    op.execute("ALTER TABLE alternative DROP COLUMN IF EXISTS card")
