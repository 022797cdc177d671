/** Legibility: what it needs and which work areas it has. */
import { lazy } from "react";
import type { StageManifest } from "../manifest";

export const legibility: StageManifest = {
  id: "legibility",
  words: "Legibility",
  parts: () => ["findings", "repairs", "tokens", "pairings", "told_apart"],
  component: lazy(() => import("./LegibilityStage").then((made) => ({ default: made.LegibilityStage }))),
  areas: [],
};
