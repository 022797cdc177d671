"""The connection to MariaDB."""

from sqlalchemy import Engine, create_engine

CONNECT_SECONDS = 3
READ_SECONDS = 20


def make_engine(url: str) -> Engine:
    """An engine for a `mysql+pymysql://` address. It connects when first used, and again when a connection is lost."""
    return create_engine(
        url,
        pool_pre_ping=True,
        pool_size=10,
        max_overflow=10,
        pool_recycle=1800,
        isolation_level="READ COMMITTED",
        connect_args={
            "charset": "utf8mb4",
            "connect_timeout": CONNECT_SECONDS,
            "read_timeout": READ_SECONDS,
            "write_timeout": READ_SECONDS,
        },
    )
