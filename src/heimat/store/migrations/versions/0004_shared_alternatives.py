"""Alternatives that are shown to others by a link, and a page of the team's own to draw with its tokens."""

from alembic import op

revision = "0004"
down_revision = "0003"


def upgrade() -> None:
    op.execute(
        "ALTER TABLE alternative ADD COLUMN IF NOT EXISTS share_key VARCHAR(40) "
        "CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL COMMENT 'who has it may look', "
        "ADD UNIQUE INDEX IF NOT EXISTS share_key (share_key)"
    )
    op.execute(
        "CREATE TABLE IF NOT EXISTS own_page (system_id BIGINT NOT NULL, "
        "markup LONGBLOB NOT NULL COMMENT 'compressed HTML', person_id VARCHAR(40) NOT NULL, at DATETIME(6) NOT NULL, "
        "PRIMARY KEY (system_id), FOREIGN KEY (system_id) REFERENCES `system` (id), "
        "FOREIGN KEY (person_id) REFERENCES person (id)) "
        "ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin"
    )


def downgrade() -> None:
    op.execute("DROP TABLE IF EXISTS own_page")
    op.execute("ALTER TABLE alternative DROP COLUMN IF EXISTS share_key")
