"""Who may fetch a feed, what to try before it is released, and who is behind."""

import re
import secrets
from dataclasses import dataclass

from sqlalchemy import Connection, Engine

from heimat.core.document.part import LONGEST_NAME
from heimat.core.errors import DomainError, NotFound
from heimat.core.publication.publication import Publication
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.failures import taken
from heimat.service.feeds import Feeds, digest_of
from heimat.service.publishing import prepare_release
from heimat.service.transactions import in_transaction
from heimat.service.workers import Workers
from heimat.store import feed_key_rows, previews, release_rows, system_rows
from heimat.store.feed_key_rows import KeyRow
from heimat.store.previews import PreviewRow

MOST_KEYS = 200
MOST_PREVIEWS = 20
MOST_NAMES_REPORTED = 2000
_PREVIEW = re.compile(r"[a-z0-9](?:[a-z0-9-]{0,30}[a-z0-9])?")
_KEY_BYTES = 24


@dataclass(frozen=True)
class KeyStanding:
    """A key, how many releases it is behind the latest (None where it fetched none), and what it uses still.

    `gone` are names that its last check found in use and that are in the latest release no more, `going` those that
    are on their way out there.
    """

    key: KeyRow
    behind: int | None
    gone: tuple[str, ...]
    going: tuple[str, ...]


@dataclass(frozen=True)
class FeedStanding:
    """Whether a feed asks for a key, its keys, and what can be tried."""

    keyed: bool
    keys: list[KeyStanding]
    previews: list[PreviewRow]


class FeedAccess:
    """Keys and previews of one database's feeds."""

    def __init__(
        self, engine: Engine, documents: Documents, workers: Workers, feeds: Feeds
    ) -> None:
        self._engine = engine
        self._documents = documents
        self._workers = workers
        self._feeds = feeds

    def standing(self, slug: str) -> FeedStanding:
        """How a feed stands. Raises NotFound."""
        self._feeds.write_uses()
        with self._engine.connect() as connection:
            row = self._documents.find(slug, connection)
            versions = [each.version for each in release_rows.all_releases(connection, row.id)]
            latest = release_rows.latest_release(connection, row.id)
            content = self._documents.publication(latest.id, connection) if latest else None
            keys = [
                _standing(each, versions, content)
                for each in feed_key_rows.keys_of(connection, row.id)
            ]
            keyed = feed_key_rows.is_keyed(connection, row.id)
            return FeedStanding(keyed, keys, previews.previews_of(connection, row.id))

    def ask_for_keys(self, slug: str, keyed: bool) -> None:
        """Let a feed ask for a key, or for none. Raises NotFound, and ReadOnly at the address of a release."""

        def work(connection: Connection) -> None:
            feed_key_rows.set_keyed(
                connection, self._documents.find_to_change(slug, connection).id, keyed
            )

        in_transaction(self._engine, work)
        self._feeds.published()

    def make_key(self, slug: str, name: str, person_id: str) -> str:
        """Make a key. It is told once, here: what is kept is its digest. Raises DomainError (field `name`)."""
        called = " ".join(name.split())
        if not called or len(called) > LONGEST_NAME:
            raise DomainError(
                f"A key has the name of who uses it, up to {LONGEST_NAME} characters.",
                "name",
                "empty",
            )
        key = secrets.token_urlsafe(_KEY_BYTES)

        def work(connection: Connection) -> None:
            row = self._documents.find_to_change(slug, connection)
            system_rows.hold_system(connection, row.id)
            there = [
                each
                for each in feed_key_rows.keys_of(connection, row.id)
                if each.revoked_at is None
            ]
            if any(each.name == called for each in there):
                raise taken(called, "name", "Revoke the key of that name first, or choose another.")
            if len(there) >= MOST_KEYS:
                raise DomainError(f"A feed has at most {MOST_KEYS} keys.", "name", "limit")
            feed_key_rows.add_key(connection, row.id, called, digest_of(key), person_id, now())

        in_transaction(self._engine, work)
        self._feeds.published()
        return key

    def revoke(self, slug: str, key_id: int) -> None:
        """Revoke a key: it opens nothing from now on. Raises NotFound."""

        def work(connection: Connection) -> None:
            row = self._documents.find_to_change(slug, connection)
            if not feed_key_rows.revoke_key(connection, row.id, key_id, now()):
                raise NotFound("There is no such key any more.")

        in_transaction(self._engine, work)
        self._feeds.published()

    def preview(self, slug: str, number: int, name: str, person_id: str) -> str:
        """Put a revision out to be tried, in place of what was out under that name. Returns the version it says.

        Raises DomainError (field `name`) and NotFound.
        """
        if not _PREVIEW.fullmatch(name):
            words = "A preview’s name is part of its address: up to 32 letters a to z, digits and hyphens;"
            raise DomainError(f"{words} this one is “{name[:60]}”.", "name", "sign")
        with self._engine.connect() as connection:
            row = self._documents.find_to_change(slug, connection)
            latest = release_rows.latest_release(connection, row.id)
        version = f"{latest.version if latest else '0.0.0'}-{name}.{number}"
        system = self._documents.system(row.alternative_id, number)
        made = self._workers.making.run(prepare_release, system, version, now().date())

        def work(connection: Connection) -> None:
            system_rows.hold_system(connection, row.id)
            there = {each.name for each in previews.previews_of(connection, row.id)}
            if name not in there and len(there) >= MOST_PREVIEWS:
                raise DomainError(
                    f"At most {MOST_PREVIEWS} previews are out at once.", "name", "limit"
                )
            previews.put_preview(connection, row.id, name, version, person_id, now(), made.files)

        in_transaction(self._engine, work)
        self._feeds.published()
        return version

    def end_preview(self, slug: str, name: str) -> None:
        """Take back what was out to be tried. Raises NotFound."""

        def work(connection: Connection) -> None:
            row = self._documents.find_to_change(slug, connection)
            if not previews.remove_preview(connection, row.id, name):
                raise NotFound(f"There is no preview “{name}” any more.")

        in_transaction(self._engine, work)
        self._feeds.published()

    def report(self, slug: str, key: str, version: str, names: list[str]) -> None:
        """Keep which names a check with a key has found in use. Raises KeyRefused."""
        key_id = self._feeds.key_id(slug, key)
        kept = {
            "version": version[:60],
            "names": sorted(set(names))[:MOST_NAMES_REPORTED],
            "at": now().isoformat(),
        }
        with self._engine.begin() as connection:
            feed_key_rows.keep_report(connection, key_id, kept)


def _standing(key: KeyRow, versions: list[str], latest: Publication | None) -> KeyStanding:
    used = key.used_version
    behind = versions.index(used) if used in versions else None
    names = set(key.report["names"]) if key.report else set()
    if latest is None or not names:
        return KeyStanding(key, behind, (), ())
    tokens = latest.with_palettes()
    there = {token.name for token in tokens} | {
        name for output in latest.outputs for name, _ in output.names
    }
    going = {token.name for token in tokens if token.deprecated is not None}
    return KeyStanding(key, behind, tuple(sorted(names - there)), tuple(sorted(names & going)))
