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
      needs: "edit",
      parts: ["hues", "scales"],
      component: lazily(() => import("./areas/AddArea"), "AddArea"),
    },
    {
      id: "names",
      words: "Names",
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/NamesArea"), "NamesArea"),
    },
    {
      id: "themes",
      words: "Themes",
      apart: true,
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/ThemesArea"), "ThemesArea"),
    },
    {
      id: "rules",
      words: "Fill again",
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/RulesArea"), "RulesArea"),
    },
    {
      id: "alternatives",
      words: "Alternatives",
      apart: true,
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/AlternativesArea"), "AlternativesArea"),
    },
    {
      id: "standing",
      words: "What stands on it",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/StandingArea"), "StandingArea"),
    },
  ],
};
