"""Feeds that ask for a key, their keys, and releases to be tried."""

from alembic import op

revision = "0008"
down_revision = "0007"
_END = ") ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin"


def upgrade() -> None:
    op.execute(
        "CREATE TABLE IF NOT EXISTS feed (system_id BIGINT NOT NULL, keyed BOOL NOT NULL, "
        "PRIMARY KEY (system_id), FOREIGN KEY (system_id) REFERENCES `system` (id)" + _END
    )
    op.execute(
        "CREATE TABLE IF NOT EXISTS feed_key (id BIGINT NOT NULL AUTO_INCREMENT, system_id BIGINT NOT NULL, "
        "name VARCHAR(80) NOT NULL, digest VARCHAR(64) NOT NULL COMMENT 'SHA-256 of the key, which nobody keeps', "
        "person_id VARCHAR(40) NOT NULL, at DATETIME(6) NOT NULL, revoked_at DATETIME(6), used_at DATETIME(6), "
        "used_version VARCHAR(60), report MEDIUMBLOB COMMENT 'compressed JSON: what a check found last', "
        "PRIMARY KEY (id), UNIQUE (digest), FOREIGN KEY (system_id) REFERENCES `system` (id), "
        "FOREIGN KEY (person_id) REFERENCES person (id)" + _END
    )
    op.execute(
        "CREATE TABLE IF NOT EXISTS preview (id BIGINT NOT NULL AUTO_INCREMENT, system_id BIGINT NOT NULL, "
        "name VARCHAR(40) NOT NULL, version VARCHAR(60) NOT NULL, person_id VARCHAR(40) NOT NULL, "
        "at DATETIME(6) NOT NULL, PRIMARY KEY (id), UNIQUE (system_id, name), "
        "FOREIGN KEY (system_id) REFERENCES `system` (id), FOREIGN KEY (person_id) REFERENCES person (id)"
        + _END
    )
    op.execute(
        "CREATE TABLE IF NOT EXISTS preview_file (preview_id BIGINT NOT NULL, name VARCHAR(300) NOT NULL, "
        "media_type VARCHAR(80) NOT NULL, digest VARCHAR(64) NOT NULL COMMENT 'SHA-256 of the bytes', "
        "bytes LONGBLOB NOT NULL, gzip LONGBLOB COMMENT 'the same bytes compressed, where that is smaller', "
        "brotli LONGBLOB, PRIMARY KEY (preview_id, name), "
        "FOREIGN KEY (preview_id) REFERENCES preview (id) ON DELETE CASCADE" + _END
    )


def downgrade() -> None:
    for table in ("preview_file", "preview", "feed_key", "feed"):
        op.execute(f"DROP TABLE IF EXISTS {table}")
