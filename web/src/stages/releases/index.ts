/** Releases: what it needs and which work areas it has. */
import { lazily, type StageManifest } from "../manifest";

export const releases: StageManifest = {
  id: "releases",
  words: "Releases",
  parts: () => [],
  component: lazily(() => import("./ReleasesStage"), "ReleasesStage"),
  areas: [
    {
      id: "outputs",
      words: "Names and places",
      needs: "edit",
      parts: ["outputs"],
      component: lazily(() => import("./areas/OutputsArea"), "OutputsArea"),
    },
    {
      id: "feed",
      words: "Keys and previews",
      needs: "administer",
      parts: [],
      component: lazily(() => import("./areas/FeedArea"), "FeedArea"),
    },
    {
      id: "resting",
      words: "Rest on another",
      apart: true,
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/RestingArea"), "RestingArea"),
    },
    {
      id: "check",
      words: "Check a stylesheet",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/CheckArea"), "CheckArea"),
    },
  ],
};
