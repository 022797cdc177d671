"""Alembic's entry: migrations run on the connection that `heimat.store.migrate` gives."""

from alembic import context

from heimat.store.tables import metadata

context.configure(
    connection=context.config.attributes["connection"], target_metadata=metadata, compare_type=True
)
with context.begin_transaction():
    context.run_migrations()
