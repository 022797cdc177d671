/** Words of our own, and words used in one sense of several, as they are explained to who works here. */
export const WORDS = {
  anchor: "Where a hue’s own color stands in its scale.",
  finding: "One thing to settle: a sentence, its figures, and the ways to settle it.",
  held: "Finished: nothing changes it until it is free to change again.",
  hue: "A named color from which a scale is made, with a kind: brand, accent, status or neutral.",
  ladder: "The labels that all scales share, and the lightness that each label aims at.",
  nudge: "A small change of one step by hand, kept on top of what is generated, and taken away by Backspace.",
  pairing: "Two tokens that meet: a foreground on a ground, what it is used for, and the level to reach.",
  pin: "A step that has a given color, to the bit, whatever its scale becomes.",
  promise: "A contrast that every two steps reach that stand so many labels apart, in whichever scales.",
  "safe range": "How far a value may move before any finding changes: drawn over the ramps of the slip.",
  slip: "The strip at the foot of the page: everything about the selected color.",
  specimen: "A piece of the product, drawn with the tokens as they are now.",
  step: "One color of a scale, addressed by its hue and its label.",
  surround: "What lies around the colors on the page: a color looks different on white, gray and black.",
  token: "A name that says what a color is for. Only names reach developers.",
  "told apart": "Colors that people must be able to tell from one another, whatever their vision.",
} as const;

export type Word = keyof typeof WORDS;
