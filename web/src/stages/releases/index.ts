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
      says: "Files under the names that your code uses already, or in a fixed number of places.",
      room: "all",
      needs: "edit",
      parts: ["outputs"],
      component: lazily(() => import("./areas/OutputsArea"), "OutputsArea"),
    },
    {
      id: "feed",
      words: "Keys and previews",
      says: "Who may fetch releases, who fetched what, and previews to be tried.",
      room: "all",
      needs: "administer",
      parts: [],
      component: lazily(() => import("./areas/FeedArea"), "FeedArea"),
    },
    {
      id: "resting",
      words: "Rest on another",
      says: "What this system takes from another, and what an update would change.",
      apart: true,
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/RestingArea"), "RestingArea"),
    },
    {
      id: "check",
      words: "Check a stylesheet",
      says: "Values of a stylesheet that are of no token, with the token meant.",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/CheckArea"), "CheckArea"),
    },
  ],
};
