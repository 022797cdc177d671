"""Tables, migrations and repositories: the only place that knows the database."""
