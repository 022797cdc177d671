/** Limits and lists of the server, generated from the API's description: do not edit. */
export const CHROMA_END = 0.32 as const;
export const FEWEST_EVEN = 2 as const;
export const FEWEST_MIXED = 1 as const;
export const LEAST_FALL = 0.1 as const;
export const LEAST_STEPS = 3 as const;
export const LONGEST_NAME = 80 as const;
export const LONGEST_NOTE = 400 as const;
export const MOST_AREAS = 40 as const;
export const MOST_COLORS = 4800 as const;
export const MOST_DRIFT = 120 as const;
export const MOST_EDITS = 400 as const;
export const MOST_EVEN = 24 as const;
export const MOST_HUES = 200 as const;
export const MOST_MIXED = 9 as const;
export const MOST_SPREAD = 120 as const;
export const MOST_STEPS = 24 as const;
export const NOTATIONS = [
  "hex",
  "rgb",
  "hsl",
  "hwb",
  "hsb",
  "lab",
  "lch",
  "oklab",
  "oklch",
  "display-p3",
  "name",
] as const;
export const PART_DEPENDS_ON = {
  candidates: ["vision", "notation"],
  findings: ["vision"],
  ground: ["vision", "ground"],
  head: ["theme"],
  hues: ["vision", "theme", "notation"],
  ladder: [],
  methods: ["vision", "theme", "select"],
  pairings: ["theme"],
  promises: [],
  repairs: ["vision"],
  scale_detail: ["vision", "theme", "select", "notation"],
  scales: ["vision", "ground"],
  selections: [],
  slip: ["vision", "ground", "theme", "select"],
  status: [],
  stops: ["vision"],
  tokens: ["vision", "theme"],
  told_apart: ["theme"],
} as const;
export const READY_LADDERS = [
  { name: "short", steps: 5 },
  { name: "usual", steps: 9 },
  { name: "long", steps: 11 },
  { name: "fine", steps: 13 },
] as const;
export const SPELLINGS = [
  ["colour", "color"],
  ["grey", "gray"],
  ["centre", "center"],
  ["harbour", "harbor"],
] as const;
export const STATUSES = ["success", "warning", "error", "information"] as const;
export const STRONGEST_CHROMA = 0.6 as const;
export const STRONGEST_SHARE = 1.5 as const;
export const STRONGEST_TINT = 0.05 as const;
