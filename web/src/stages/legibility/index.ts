/** Legibility: what it needs and which work areas it has. */
import { lazily, type StageManifest } from "../manifest";

export const legibility: StageManifest = {
  id: "legibility",
  words: "Legibility",
  parts: () => ["findings", "repairs", "tokens", "pairings", "told_apart"],
  component: lazily(() => import("./LegibilityStage"), "LegibilityStage"),
  areas: [],
};
