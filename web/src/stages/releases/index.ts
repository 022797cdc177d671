/** Releases: what it needs and which work areas it has. */
import { lazily, type StageManifest } from "../manifest";

export const releases: StageManifest = {
  id: "releases",
  words: "Releases",
  parts: () => [],
  component: lazily(() => import("./ReleasesStage"), "ReleasesStage"),
  areas: [],
};
