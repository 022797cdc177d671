"""A typeface of the team's own, in which samples are set."""

from alembic import op

revision = "0005"
down_revision = "0004"


def upgrade() -> None:
    op.execute(
        "CREATE TABLE IF NOT EXISTS typeface (system_id BIGINT NOT NULL, name VARCHAR(120) NOT NULL, "
        "media_type VARCHAR(40) NOT NULL, content MEDIUMBLOB NOT NULL, "
        "person_id VARCHAR(40) NOT NULL, at DATETIME(6) NOT NULL, "
        "PRIMARY KEY (system_id), FOREIGN KEY (system_id) REFERENCES `system` (id), "
        "FOREIGN KEY (person_id) REFERENCES person (id)) "
        "ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin"
    )


def downgrade() -> None:
    op.execute("DROP TABLE IF EXISTS typeface")
