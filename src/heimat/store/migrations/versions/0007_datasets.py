"""Data that palettes are drawn with."""

from alembic import op

revision = "0007"
down_revision = "0006"


def upgrade() -> None:
    op.execute(
        "CREATE TABLE IF NOT EXISTS dataset (id BIGINT NOT NULL AUTO_INCREMENT, system_id BIGINT NOT NULL, "
        "name VARCHAR(120) NOT NULL, digest VARCHAR(64) NOT NULL "
        "COMMENT 'SHA-256 of the bytes: the same data are kept once', "
        "content MEDIUMBLOB NOT NULL COMMENT 'compressed', "
        "person_id VARCHAR(40) NOT NULL, at DATETIME(6) NOT NULL, "
        "PRIMARY KEY (id), UNIQUE (system_id, digest), FOREIGN KEY (system_id) REFERENCES `system` (id), "
        "FOREIGN KEY (person_id) REFERENCES person (id)) "
        "ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin"
    )


def downgrade() -> None:
    op.execute("DROP TABLE IF EXISTS dataset")
