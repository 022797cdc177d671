"""Counters of what happened, claims on work, guides that are still to be set, readers, and what a request sent."""

from alembic import op

revision = "0009"
down_revision = "0008"
_END = ") ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin"


def upgrade() -> None:
    op.execute(
        "CREATE TABLE IF NOT EXISTS counter (of BIGINT NOT NULL COMMENT 'a system; 0 for the installation', "
        "number BIGINT NOT NULL, PRIMARY KEY (of)" + _END
    )
    op.execute(
        "CREATE TABLE IF NOT EXISTS claim (of VARCHAR(120) NOT NULL, holder VARCHAR(40) NOT NULL, "
        "person_id VARCHAR(40), until DATETIME(6) NOT NULL, PRIMARY KEY (of), "
        "FOREIGN KEY (person_id) REFERENCES person (id)" + _END
    )
    op.execute(
        "CREATE TABLE IF NOT EXISTS unprinted (release_id BIGINT NOT NULL, tries INT NOT NULL, "
        "PRIMARY KEY (release_id), FOREIGN KEY (release_id) REFERENCES `release` (id) ON DELETE CASCADE"
        + _END
    )
    op.execute(
        "CREATE TABLE IF NOT EXISTS reader (id BIGINT NOT NULL AUTO_INCREMENT, test_id BIGINT NOT NULL, "
        "reader_key VARCHAR(40) NOT NULL, figures VARCHAR(200) NOT NULL, at DATETIME(6) NOT NULL, "
        "answered BOOL NOT NULL, PRIMARY KEY (id), UNIQUE (reader_key), "
        "FOREIGN KEY (test_id) REFERENCES reading_test (id) ON DELETE CASCADE" + _END
    )
    op.execute(
        "ALTER TABLE revision ADD COLUMN IF NOT EXISTS sent VARCHAR(64) NULL "
        "COMMENT 'SHA-256 of what the request sent; null for what none has sent'"
    )
    op.execute(
        "ALTER TABLE revision MODIFY COLUMN kind VARCHAR(8) NOT NULL COMMENT 'open, edit, undo, redo, tidy or pass'"
    )
    op.execute(
        "ALTER TABLE dataset ADD COLUMN IF NOT EXISTS summary MEDIUMBLOB NULL "
        "COMMENT 'compressed JSON: what lists say of it'"
    )


def downgrade() -> None:
    op.execute("ALTER TABLE dataset DROP COLUMN IF EXISTS summary")
    op.execute("ALTER TABLE revision DROP COLUMN IF EXISTS sent")
    for table in ("reader", "unprinted", "claim", "counter"):
        op.execute(f"DROP TABLE IF EXISTS {table}")
