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
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/MendArea"), "MendArea"),
    },
    {
      id: "two-colors",
      words: "Two colors",
      needs: "look",
      parts: ["slip"],
      component: lazily(() => import("./areas/TwoColorsArea"), "TwoColorsArea"),
    },
    {
      id: "matrix",
      words: "Matrix",
      needs: "look",
      parts: ["hues", "matrices"],
      component: lazily(() => import("./areas/MatrixArea"), "MatrixArea"),
    },
    {
      id: "told-apart",
      words: "Told apart",
      needs: "look",
      parts: ["told_apart", "by_color"],
      component: lazily(() => import("./areas/ToldApartArea"), "ToldApartArea"),
    },
    {
      id: "standing-here",
      words: "What may stand here",
      needs: "look",
      parts: ["slip"],
      component: lazily(() => import("./areas/StandingArea"), "StandingArea"),
    },
    {
      id: "conditions",
      words: "Conditions",
      needs: "look",
      parts: ["conditions"],
      component: lazily(() => import("./areas/ConditionsArea"), "ConditionsArea"),
    },
    {
      id: "text-on-picture",
      words: "On a picture",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/TextArea"), "TextArea"),
    },
    {
      id: "pictures-seen",
      words: "As seen",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/SeenArea"), "SeenArea"),
    },
    {
      id: "drawing",
      words: "Out of a page",
      needs: "look",
      parts: ["own_colors"],
      component: lazily(() => import("./areas/DrawingArea"), "DrawingArea"),
    },
    {
      id: "pairings",
      words: "Pairings",
      needs: "edit",
      parts: ["stands_on"],
      component: lazily(() => import("./areas/PairingsArea"), "PairingsArea"),
    },
    {
      id: "report",
      words: "Report",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/ReportArea"), "ReportArea"),
    },
  ],
};
