/** Releases: what it needs and which work areas it has. */
import { lazy } from "react";
import type { StageManifest } from "../manifest";

export const releases: StageManifest = {
  id: "releases",
  words: "Releases",
  parts: () => [],
  component: lazy(() => import("./ReleasesStage").then((made) => ({ default: made.ReleasesStage }))),
  areas: [],
};
