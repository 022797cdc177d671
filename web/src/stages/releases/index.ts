/** Releases: what it needs and which work areas it has. */
import { lazily, type StageManifest } from "../manifest";

export const releases: StageManifest = {
  id: "releases",
  words: "Releases",
  parts: () => [],
  component: lazily(() => import("./ReleasesStage"), "ReleasesStage"),
  areas: [
    {
      id: "check",
      words: "Check a stylesheet",
      parts: [],
      component: lazily(() => import("./areas/CheckArea"), "CheckArea"),
    },
  ],
};
