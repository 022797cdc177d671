/** Legibility: what it needs and which work areas it has. */
import { isPicture } from "../../util/isPicture";
import { lazily, type StageManifest } from "../manifest";

export const legibility: StageManifest = {
  id: "legibility",
  words: "Legibility",
  parts: () => ["findings", "repairs", "exceptions", "tokens", "pairings"],
  component: lazily(() => import("./LegibilityStage"), "LegibilityStage"),
  takes: (files) => files.length > 0 && files.every(isPicture),
  areas: [
    {
      id: "mend",
      words: "Mend all",
      parts: [],
      component: lazily(() => import("./areas/MendArea"), "MendArea"),
    },
    {
      id: "two-colors",
      words: "Two colors",
      parts: ["slip"],
      component: lazily(() => import("./areas/TwoColorsArea"), "TwoColorsArea"),
    },
    {
      id: "matrix",
      words: "Matrix",
      parts: ["hues", "matrices"],
      component: lazily(() => import("./areas/MatrixArea"), "MatrixArea"),
    },
    {
      id: "told-apart",
      words: "Told apart",
      parts: ["told_apart", "by_color"],
      component: lazily(() => import("./areas/ToldApartArea"), "ToldApartArea"),
    },
    {
      id: "standing-here",
      words: "What may stand here",
      parts: ["slip"],
      component: lazily(() => import("./areas/StandingArea"), "StandingArea"),
    },
    {
      id: "conditions",
      words: "Conditions",
      parts: ["conditions"],
      component: lazily(() => import("./areas/ConditionsArea"), "ConditionsArea"),
    },
    {
      id: "text-on-picture",
      words: "On a picture",
      parts: [],
      component: lazily(() => import("./areas/TextArea"), "TextArea"),
    },
    {
      id: "pictures-seen",
      words: "As seen",
      parts: [],
      component: lazily(() => import("./areas/SeenArea"), "SeenArea"),
    },
    {
      id: "drawing",
      words: "Out of a page",
      parts: ["own_colors"],
      component: lazily(() => import("./areas/DrawingArea"), "DrawingArea"),
    },
    {
      id: "pairings",
      words: "Pairings",
      parts: ["stands_on"],
      component: lazily(() => import("./areas/PairingsArea"), "PairingsArea"),
    },
    {
      id: "report",
      words: "Report",
      parts: [],
      component: lazily(() => import("./areas/ReportArea"), "ReportArea"),
    },
  ],
};
