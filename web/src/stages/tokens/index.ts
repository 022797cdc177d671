/** Tokens: what it needs and which work areas it has. */

import { lazily, type StageManifest } from "../manifest";
import { OWN } from "../shared/own";

export const tokens: StageManifest = {
  id: "tokens",
  words: "Tokens",
  // Each view asks for what it shows: what nobody sees would be made anew with every move of a drag.
  parts: ({ show, select }, screen) => [
    "tokens",
    ...(show === "specimen" ? (["specimen"] as const) : []),
    ...(show === "specimen" && screen === OWN ? (["own_colors"] as const) : []),
    ...(show === "specimen" || show === "swatches" ? [] : (["bands"] as const)),
    ...(select?.startsWith("token:") ? (["token_detail", "hues", "scales"] as const) : []),
  ],
  component: lazily(() => import("./TokensStage"), "TokensStage"),
  areas: [
    {
      id: "add-tokens",
      words: "Add",
      says: "A token of your own, or a set for a whole product, filled from your hues.",
      needs: "edit",
      parts: ["hues", "scales"],
      component: lazily(() => import("./areas/AddArea"), "AddArea"),
    },
    {
      id: "names",
      words: "Names",
      says: "Many tokens renamed by a pattern, seen before it is done.",
      room: "all",
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/NamesArea"), "NamesArea"),
    },
    {
      id: "themes",
      words: "Themes",
      says: "Further themes, proposed from one that is there and checked.",
      apart: true,
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/ThemesArea"), "ThemesArea"),
    },
    {
      id: "rules",
      words: "Fill again",
      says: "Values put where the rules of the set would put them now.",
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/RulesArea"), "RulesArea"),
    },
    {
      id: "alternatives",
      words: "Alternatives",
      says: "A second version of the system, to compare and to choose from.",
      apart: true,
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/AlternativesArea"), "AlternativesArea"),
    },
    {
      id: "standing",
      words: "What stands on it",
      says: "Everything that stands on a color, before you change it.",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/StandingArea"), "StandingArea"),
    },
  ],
};
