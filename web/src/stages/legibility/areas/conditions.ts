/** The quantities of a viewing condition: in four parts, each with its unit, its range, and where its figure is from. */
import type { ConditionView } from "../../../api/client";

export type Quantities = Required<ConditionView["quantities"]>;
type Name = Exclude<keyof Quantities, "medium">;

export interface Quantity {
  name: Name;
  words: string;
  unit: string;
  low: number;
  high: number;
  step: number;
  places: number;
}

export interface Part {
  title: string;
  model: string;
  quantities: Quantity[];
  medium?: "display" | "paper";
}

const quantity = (
  name: Name,
  words: string,
  unit: string,
  low: number,
  high: number,
  step: number,
  places: number,
): Quantity => ({ name, words, unit, low, high, step, places });

export const PARTS: Part[] = [
  {
    title: "Reader",
    model:
      "Needed contrast is the standard’s at an acuity of 0.5 (20/40), half as much again for each halving (WCAG, Understanding 1.4.3), times the loss of contrast sensitivity. The lens lets less blue through with age (Pokorny, Smith, Lutze 1987). An approximation.",
    quantities: [
      quantity("acuity", "acuity", "decimal", 0.05, 2, 0.05, 2),
      quantity("contrast_loss", "contrast sensitivity lost", "log", 0, 2, 0.05, 2),
      quantity("age", "age of the lens", "years", 10, 100, 1, 0),
    ],
  },
  {
    title: "Display",
    model: "A color gives off its relative luminance times the display’s white.",
    medium: "display",
    quantities: [
      quantity("white", "its white", "cd/m²", 1, 20000, 10, 0),
      quantity("reflectance", "reflects", "of the light", 0, 1, 0.005, 3),
    ],
  },
  {
    title: "Light",
    model:
      "Light on the screen is reflected diffusely, lux times reflectance over π; veiling light reaches the eye past it. Both are added to every color.",
    quantities: [
      quantity("lux", "on the screen or paper", "lux", 0, 200000, 100, 0),
      quantity("veil", "veiling", "cd/m²", 0, 20000, 1, 1),
    ],
  },
  {
    title: "Paper",
    model:
      "Printed, a color lies between the paper’s white and the darkest ink; in grayscale only that counts.",
    medium: "paper",
    quantities: [
      quantity("paper", "its white reflects", "of the light", 0.05, 1, 0.01, 2),
      quantity("ink", "the darkest ink", "of the light", 0, 0.9, 0.01, 2),
    ],
  },
];

/** What WCAG’s own thresholds suppose. */
export const USUAL: Quantities = {
  acuity: 0.5,
  contrast_loss: 0,
  age: 32,
  medium: "display",
  white: 80,
  reflectance: 0,
  lux: 0,
  veil: 4,
  paper: 0.85,
  ink: 0.04,
};

/** To begin with: each can be kept under a name and changed. */
export const BEGINNINGS: { words: string; quantities: Quantities }[] = [
  { words: "as the standard supposes", quantities: USUAL },
  {
    words: "a display in sunlight",
    quantities: { ...USUAL, white: 1000, reflectance: 0.02, lux: 60000, veil: 4 },
  },
  {
    words: "a dimmed display at night",
    quantities: { ...USUAL, white: 5, lux: 1, reflectance: 0.02, veil: 0.1 },
  },
  { words: "a reader of 75", quantities: { ...USUAL, acuity: 0.4, contrast_loss: 0.15, age: 75 } },
  { words: "newsprint", quantities: { ...USUAL, medium: "paper", paper: 0.6, ink: 0.1, lux: 500, veil: 0 } },
];
