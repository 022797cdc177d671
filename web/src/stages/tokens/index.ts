/** Tokens: what it needs and which work areas it has. */
import { lazily, type StageManifest } from "../manifest";

export const tokens: StageManifest = {
  id: "tokens",
  words: "Tokens",
  parts: () => ["tokens", "pairings", "hues", "scales"],
  component: lazily(() => import("./TokensStage"), "TokensStage"),
  areas: [],
};
