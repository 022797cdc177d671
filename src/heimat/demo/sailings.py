"""The sailings of one season, made up from a fixed seed: what the demo's charts are drawn from."""

import math
from datetime import date, timedelta
from pathlib import Path

import numpy as np

SAILINGS = Path(__file__).parent / "data" / "sailings.csv"
"""The table, shipped as this module makes it; a test compares both."""
_ROUTES = (
    ("Skarvik–Tarnsey", 0.78, 1.3, 0.6),
    ("Tarnsey–Oldhaven", 0.60, 1.0, 1.2),
    ("Oldhaven–Merrow", 0.52, 0.8, 0.3),
    ("Holm Ness–Skarvik", 0.45, 0.7, 0.8),
    ("Merrow–Pellan", 0.38, 0.55, 1.6),
    ("Pellan–Holm Ness", 0.30, 0.4, 1.0),
)
"""Name, usual load, size of the vessels beside the others, and how open the sea is."""
_VESSELS = ("Alke", "Tern", "Dunlin", "Curlew", "Petrel")
_DEPARTURES = ("07:40", "09:15", "12:05", "15:30", "18:20")
FARES = ("adult", "child", "senior", "commuter", "bicycle")
_PLACES = 96
ROUTES = tuple(name for name, *_ in _ROUTES)
_FIRST = date(2026, 4, 1)
_DAYS = 119
_SEED = 20260401
HEADINGS = (
    "route",
    "vessel",
    "date",
    "departure",
    "load",
    "delay",
    "passengers",
    *FARES,
    "sea state",
)


def sailings() -> str:
    """The table as CSV: load 0 to 1, delay in minutes, passengers in all and by fare, sea state."""
    rng = np.random.default_rng(_SEED)
    lines = [",".join(HEADINGS)]
    sea = 2.0
    for day in range(_DAYS):
        today = _FIRST + timedelta(days=day)
        sea = float(
            np.clip(0.8 * sea + 0.2 * rng.uniform(0.0, 7.0) + rng.normal(0.0, 0.5), 0.0, 9.0)
        )
        season = 0.75 + 0.35 * math.sin(math.pi * day / _DAYS)
        weekend = 1.2 if today.weekday() >= 5 else 1.0
        for number, (route, usual, size, exposed) in enumerate(_ROUTES):
            for hour, departure in enumerate(_DEPARTURES):
                if number >= 4 and hour in (1, 3):
                    continue
                rush = (1.15, 1.0, 0.85, 0.95, 1.1)[hour]
                load = float(
                    np.clip(usual * season * weekend * rush * rng.lognormal(0.0, 0.18), 0.02, 1.0)
                )
                rough = max(0.0, sea - 2.5) * rng.uniform(0.5, 5.0) * exposed
                late = rng.normal(-2.0, 2.5) + rough + (8.0 if load > 0.9 else 0.0)
                shares = rng.dirichlet(
                    np.array([9.0, 3.0, 3.0, 7.0 if hour in (0, 4) else 2.0, 1.5])
                )
                aboard = rng.multinomial(round(load * _PLACES * size), shares)
                vessel = _VESSELS[(number + hour + day) % len(_VESSELS)]
                cells = (
                    route,
                    vessel,
                    today.isoformat(),
                    departure,
                    f"{load:.2f}",
                    f"{late:.0f}",
                    f"{aboard.sum()}",
                )
                lines.append(",".join((*cells, *(str(each) for each in aboard), f"{sea:.0f}")))
    return "\n".join(lines).replace(",-0,", ",0,") + "\n"
