/** Tokens: what it needs and which work areas it has. */
import { lazy } from "react";
import type { StageManifest } from "../manifest";

export const tokens: StageManifest = {
  id: "tokens",
  words: "Tokens",
  parts: () => ["tokens", "pairings", "hues", "scales"],
  component: lazy(() => import("./TokensStage").then((made) => ({ default: made.TokensStage }))),
  areas: [],
};
