"""Bringing a database up to the tables of this program."""

from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import Connection, Engine

MIGRATIONS = Path(__file__).parent / "migrations"


def config_for(connection: Connection | None = None) -> Config:
    """Alembic's configuration, without a file of its own."""
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["connection"] = connection
    return config


def migrate(engine: Engine) -> None:
    """Run every migration that has not run yet."""
    with engine.begin() as connection:
        command.upgrade(config_for(connection), "head")
