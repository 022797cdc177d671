"""The sets that ship with the gallery, of our own making."""

SHIPPED: tuple[tuple[str, str, tuple[tuple[str, str], ...]], ...] = (
    (
        "Low tide",
        "mud, wet stone and weed before the water comes back; quiet grounds with one green",
        (
            ("silt", "#B9AE9C"),
            ("wet stone", "#6C6F6A"),
            ("weed", "#5B7A3A"),
            ("pool", "#8FB0B5"),
            ("foam", "#EEF1EC"),
        ),
    ),
    (
        "Harbor at dusk",
        "the last light on the quay; warm on cool, for evenings and timetables",
        (
            ("quay", "#3B3F4C"),
            ("water", "#4C6478"),
            ("afterglow", "#D9825B"),
            ("lamp", "#F2C66D"),
            ("sky", "#8E86A6"),
        ),
    ),
    (
        "Pilot flags",
        "plain strong colors that are read from far away",
        (
            ("red", "#C8202F"),
            ("yellow", "#F4C300"),
            ("blue", "#1B4F9C"),
            ("white", "#FFFFFF"),
            ("black", "#16181A"),
        ),
    ),
    (
        "Heath in August",
        "heather, gorse and bracken over peat",
        (
            ("heather", "#8E6BA3"),
            ("gorse", "#E3B53E"),
            ("bracken", "#8A7A3C"),
            ("peat", "#3E332C"),
            ("mist", "#D8D5DC"),
        ),
    ),
    (
        "Lighthouse",
        "whitewash, one red band and the sea behind; a brand in two colors",
        (("whitewash", "#F5F3EC"), ("band", "#B8322C"), ("sea", "#2B5D73"), ("iron", "#33383B")),
    ),
    (
        "Salt and rope",
        "neutrals that lean warm, for much text and few colors",
        (
            ("salt", "#F3EFE7"),
            ("rope", "#C9B08B"),
            ("canvas", "#DDD3C0"),
            ("tar", "#2E2925"),
            ("oak", "#7B5F42"),
        ),
    ),
    (
        "Six routes",
        "six lines that stay apart for everyone, on white; for maps and charts",
        (
            ("north", "#4756AD"),
            ("west", "#DE6F71"),
            ("sound", "#02A0AF"),
            ("outer", "#3F1100"),
            ("inner", "#635E00"),
            ("night", "#002232"),
        ),
    ),
    (
        "Ice on the lines",
        "cold tints with a dark blue; for calm boards",
        (
            ("rime", "#EAF3F6"),
            ("ice", "#BFDCE5"),
            ("lead", "#5E7783"),
            ("deep", "#17384A"),
            ("signal", "#E26A3D"),
        ),
    ),
    (
        "Fish market",
        "scales, crates and chalk; lively on gray",
        (
            ("scales", "#9FB4BE"),
            ("crate", "#2F7F86"),
            ("salmon", "#EE8D74"),
            ("chalk", "#F1F0EA"),
            ("slate", "#46505A"),
            ("lemon", "#EBD65B"),
        ),
    ),
    (
        "Storm warning",
        "from calm to storm in five steps; light to dark, for force and risk",
        (
            ("calm", "#E7EDC8"),
            ("fresh", "#B9CF8C"),
            ("strong", "#D8A84A"),
            ("gale", "#B8552F"),
            ("storm", "#6A1F2B"),
        ),
    ),
    (
        "Early and late",
        "two ends and a middle; early in blue, late in orange, for delays",
        (
            ("early", "#2C6C9E"),
            ("soon", "#8FB6CF"),
            ("on time", "#F1EEE6"),
            ("late", "#E2A36F"),
            ("very late", "#B1531F"),
        ),
    ),
    (
        "Night bridge",
        "dark grounds and dimmed lights that leave the eyes used to the dark",
        (
            ("bridge", "#10151A"),
            ("panel", "#1E262D"),
            ("dial", "#7E2F2A"),
            ("glow", "#C97B4A"),
            ("chart", "#8DA3A0"),
        ),
    ),
)
