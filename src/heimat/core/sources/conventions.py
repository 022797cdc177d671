"""What people expect of status colors: which hues, what they say, and where fields or cultures differ."""

from typing import Literal

Status = Literal["success", "warning", "error", "information"]
STATUSES: tuple[Status, ...] = ("success", "warning", "error", "information")
STATUS_HUES: dict[Status, tuple[float, float]] = {
    "success": (140.0, 172.0),
    "warning": (60.0, 92.0),
    "error": (14.0, 32.0),
    "information": (236.0, 268.0),
}
"""The OKLCH hues in degrees between which a color is still read as that status, by convention (ISO 3864-4 for red,
yellow, green and blue as signs; the ranges of OKLCH are ours)."""
STATUS_AIMS: dict[Status, tuple[float, float, float]] = {
    "success": (54.0, 0.11, 165.0),
    "warning": (58.0, 0.14, 68.0),
    "error": (34.0, 0.17, 22.0),
    "information": (36.0, 0.13, 255.0),
}
"""L*, OKLCH chroma and hue of status hues in the conventional ranges, by search the farthest apart under every vision
(15.7 at least) among colors that reach 3 on white."""
STATUS_NOTES: dict[Status, str] = {
    "success": "done, as it should be",
    "warning": "may go wrong, look here",
    "error": "failed, stopped",
    "information": "worth knowing",
}
"""What each is for: the team's own sentence begins as this one."""
STATUS_CONVENTIONS: dict[Status, str] = {
    "success": (
        "Green says go and done nearly everywhere. On price boards in East Asia it stands for a fall, and in "
        "process control some plants keep it for stopped: ask the field."
    ),
    "warning": (
        "Amber and yellow say take care on signs and signals. In the United States yellow also marks school and "
        "transit; on white it is hard to see, so it needs an outline or a dark text."
    ),
    "error": (
        "Red says stop, danger, failed. In China red is luck and joy, and on price boards there a rise; in finance "
        "elsewhere it is a loss. It never speaks alone: a word or a sign stands with it."
    ),
    "information": (
        "Blue says a notice, nothing to do, and on signs a thing that must be done. Where the brand is blue or links "
        "are, it is taken for them: give it a sign of its own."
    ),
}
