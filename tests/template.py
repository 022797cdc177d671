"""The demo's tables as they are once loaded, copied back for every test."""

from sqlalchemy import BigInteger, Connection, Engine, Table, text

from heimat.store.tables import metadata

_STEP = 1_000_000
"""More than the rows that a test adds to a table."""


class Template:
    """A copy of all tables. Every id moves on with each copying back, as no id is ever given twice: what a server
    remembers of the test before stays harmless."""

    def __init__(self, engine: Engine) -> None:
        """Keep what the tables hold now. `engine` reaches a database of which no one else copies."""
        self._engine = engine
        self._copied = 0
        with engine.begin() as connection:
            for table in metadata.sorted_tables:
                connection.execute(text(f"CREATE TABLE template_{table.name} LIKE `{table.name}`"))
                connection.execute(
                    text(f"INSERT INTO template_{table.name} SELECT * FROM `{table.name}`")
                )

    def restore(self) -> None:
        """Let the tables hold what they held at first, and nothing else."""
        self._copied += 1
        with self._engine.begin() as connection:
            connection.execute(text("SET FOREIGN_KEY_CHECKS = 0"))
            for table in metadata.sorted_tables:
                connection.execute(table.delete())
                self._copy(connection, table)
            connection.execute(text("SET FOREIGN_KEY_CHECKS = 1"))

    def _copy(self, connection: Connection, table: Table) -> None:
        names = ", ".join(f"`{column.name}`" for column in table.columns)
        # Of all numbers in the tables, the long ones are ids.
        values = ", ".join(
            f"`{column.name}`"
            + (f" + {self._copied * _STEP}" if isinstance(column.type, BigInteger) else "")
            for column in table.columns
        )
        connection.execute(
            text(f"INSERT INTO `{table.name}` ({names}) SELECT {values} FROM template_{table.name}")
        )
