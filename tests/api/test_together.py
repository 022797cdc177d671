"""Many at once: no revision is lost, none is made twice, and numbers have no gaps."""

from concurrent.futures import ThreadPoolExecutor

from sqlalchemy import Engine, text

from tests.api.asking import AT, client_of, look

HUES = ("tidewater", "buoy", "gorse", "heather", "kelp", "flare", "lamp", "sound")


def test_eight_hands_on_one_system(engine: Engine) -> None:
    def work(place: int) -> list[int]:
        """One hand, in a process of its own, always on the oldest revision: nothing it does meets another's."""
        client = client_of(engine)
        client.put("/api/me", json={"person": ("ines", "tomke", "oke", "maren")[place % 4]})
        done = []
        for turn in range(4):
            edit = {"type": "set_source", "hue": HUES[place], "color": f"#{place + 1}{turn}7755"}
            answer = client.post(f"{AT}/edits", json={"base": 1, "edits": [edit]})
            tries = 1
            # On a machine that is busy with more than this, one of eight may wait too long: nothing of that is stored,
            # and a hand does again what it was told to.
            while answer.status_code == 503 and tries < 5:
                answer = client.post(f"{AT}/edits", json={"base": 1, "edits": [edit]})
                tries += 1
            answer.raise_for_status()
            done.append(answer.json()["head"]["revision"])
        return done

    with ThreadPoolExecutor(8) as pool:
        numbers = sorted(number for done in pool.map(work, range(8)) for number in done)
    assert numbers == list(range(2, 34))
    client = client_of(engine)
    view = look(client)
    assert view["head"]["revision"] == 33
    for place, hue in enumerate(HUES):
        assert (
            next(each["hex"] for each in view["hues"] if each["id"] == hue) == f"#{place + 1}37755"
        )
    with engine.connect() as connection:
        query = "SELECT COUNT(*), COUNT(DISTINCT number), COUNT(DISTINCT parent_id) FROM revision WHERE number > 1"
        assert tuple(connection.execute(text(query)).one()) == (32, 32, 32)


def test_the_same_request_from_two_sides_at_once(engine: Engine) -> None:
    def send(_: int) -> int:
        client = client_of(engine)
        body = {
            "base": 1,
            "key": "the-very-same",
            "edits": [{"type": "rename_hue", "hue": "kelp", "name": "weed"}],
        }
        return client.post(f"{AT}/edits", json=body).json()["head"]["revision"]

    with ThreadPoolExecutor(4) as pool:
        assert set(pool.map(send, range(4))) == {2}


def test_two_publish_at_once(engine: Engine) -> None:
    def publish(_: int) -> tuple[int, dict]:
        client = client_of(engine)
        answer = client.post(f"{AT}/releases", json={"revision": 1, "version": "1.0.0"})
        return answer.status_code, answer.json()

    with ThreadPoolExecutor(4) as pool:
        answers = list(pool.map(publish, range(4)))
    # Whoever comes while one writes is told so; whoever comes after, that it is out.
    assert [body["new"] for status, body in answers if status == 201].count(True) == 1
    told = {body["detail"] for status, body in answers if status != 201}
    assert told <= {"Ines Vahl is publishing 1.0.0 right now. Look again in a moment."}
