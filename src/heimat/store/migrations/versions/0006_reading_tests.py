"""Reading tests by link: two colors, and what their readers could read."""

from alembic import op

revision = "0006"
down_revision = "0005"


def upgrade() -> None:
    options = "ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin"
    op.execute(
        "CREATE TABLE IF NOT EXISTS reading_test (id BIGINT NOT NULL AUTO_INCREMENT, system_id BIGINT NOT NULL, "
        "share_key VARCHAR(40) NOT NULL, ink VARCHAR(7) NOT NULL, ground VARCHAR(7) NOT NULL, px INTEGER NOT NULL, "
        "person_id VARCHAR(40) NOT NULL, at DATETIME(6) NOT NULL, "
        "PRIMARY KEY (id), UNIQUE (share_key), UNIQUE (system_id, ink, ground, px), "
        "FOREIGN KEY (system_id) REFERENCES `system` (id), FOREIGN KEY (person_id) REFERENCES person (id)) "
        + options
    )
    op.execute(
        "CREATE TABLE IF NOT EXISTS reading_answer (id BIGINT NOT NULL AUTO_INCREMENT, test_id BIGINT NOT NULL, "
        "shown INTEGER NOT NULL, `read` INTEGER NOT NULL, at DATETIME(6) NOT NULL, "
        "PRIMARY KEY (id), FOREIGN KEY (test_id) REFERENCES reading_test (id) ON DELETE CASCADE) "
        + options
    )


def downgrade() -> None:
    op.execute("DROP TABLE IF EXISTS reading_answer")
    op.execute("DROP TABLE IF EXISTS reading_test")
