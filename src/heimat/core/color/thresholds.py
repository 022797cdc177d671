"""From which OKLCH chroma on a color is one: each question has its own answer, and all of them stand here.

Chosen on Heimat's own sheets of brands, as no standard gives them: OKLCH chroma runs from 0 to about 0.32 in sRGB, and
0.02 is about a tenth of what a muted brand color has.
"""

HAS_HUE = 0.004
"""Below it a color is a gray, whose hue says nothing: less than one level of 8 bits turns it by any angle."""
KEEPS_HUE = 0.02
"""From here on a hue is worth keeping where a color moves: weaker ones have hardly any to be seen."""
CALLED_BY_HUE = 0.03
"""From here on people call a color by its hue, and notice when it is another one."""
