"""A derivation in words: "tidewater, 24 lighter, half the chroma"."""

from heimat.core.document.hues import DerivedSource, QuantityChange

_SHARES = {
    0.5: "half",
    2.0: "twice",
    0.25: "a quarter of",
    0.75: "three quarters of",
    1 / 3: "a third of",
}


def derivation_words(source: DerivedSource, parent: str) -> str:
    """What a derived hue does with its parent's color, in the order lightness, strength, hue, alpha."""
    hsl = source.circle == "hsl"
    said = [
        _lightness(source.lightness, hsl),
        _amount(
            source.strength, "saturation" if hsl else "chroma", " %" if hsl else "", 0 if hsl else 3
        ),
        _turn(source.turn),
        _amount(source.alpha, "alpha", "", 2),
    ]
    found = [words for words in said if words]
    if not found:
        return f"the same as {parent}"
    return ", ".join([parent, *found]) + (" on the HSL circle" if hsl else "")


def _number(value: float, places: int) -> str:
    text = f"{value:.{places}f}"
    return text.rstrip("0").rstrip(".") if "." in text else text


def _lightness(change: QuantityChange, hsl: bool) -> str:
    if change.how == "shifted":
        figure = _number(abs(change.by), 1)
        return "" if figure == "0" else f"{figure} {'lighter' if change.by > 0 else 'darker'}"
    return _amount(change, "HSL lightness" if hsl else "lightness", "", 1)


def _amount(change: QuantityChange, what: str, unit: str, places: int) -> str:
    if change.how == "shifted":
        figure = _number(abs(change.by), places)
        return (
            "" if figure == "0" else f"{figure}{unit} {'more' if change.by > 0 else 'less'} {what}"
        )
    if change.how == "times":
        share = next((words for of, words in _SHARES.items() if abs(of - change.by) < 0.005), None)
        return f"{share} the {what}" if share else f"{_number(change.by, 2)} of the {what}"
    return f"{what} {_number(change.by, places)}{unit}" if change.how == "set" else ""


def _turn(change: QuantityChange) -> str:
    if change.how == "shifted":
        return "" if _number(abs(change.by), 1) == "0" else f"turned by {_number(change.by, 1)}°"
    return f"hue {_number(change.by, 1)}°" if change.how == "set" else ""
