/** Sources: what it needs and which work areas it has. */
import { lazy } from "react";
import type { StageManifest } from "../manifest";

export const sources: StageManifest = {
  id: "sources",
  words: "Sources",
  parts: () => ["hues", "status", "candidates", "stops", "ladder"],
  component: lazy(() => import("./SourcesStage").then((made) => ({ default: made.SourcesStage }))),
  areas: [
    {
      id: "harmony",
      words: "Harmony",
      parts: [],
      component: lazy(() => import("./areas/HarmonyArea").then((made) => ({ default: made.HarmonyArea }))),
    },
    {
      id: "even",
      words: "Even set",
      parts: [],
      component: lazy(() => import("./areas/EvenArea").then((made) => ({ default: made.EvenArea }))),
    },
    {
      id: "mix",
      words: "Mix",
      parts: [],
      component: lazy(() => import("./areas/MixArea").then((made) => ({ default: made.MixArea }))),
    },
    {
      id: "picture",
      words: "Picture",
      parts: [],
      component: lazy(() =>
        import("./areas/picture/PictureArea").then((made) => ({ default: made.PictureArea })),
      ),
    },
    {
      id: "status",
      words: "Status",
      parts: [],
      component: lazy(() => import("./areas/StatusArea").then((made) => ({ default: made.StatusArea }))),
    },
    {
      id: "neutral",
      words: "Neutral",
      parts: ["scales"],
      component: lazy(() => import("./areas/NeutralArea").then((made) => ({ default: made.NeutralArea }))),
    },
    {
      id: "gallery",
      words: "Gallery",
      parts: [],
      component: lazy(() => import("./areas/GalleryArea").then((made) => ({ default: made.GalleryArea }))),
    },
    {
      id: "text",
      words: "As text",
      parts: [],
      component: lazy(() => import("./areas/TextArea").then((made) => ({ default: made.TextArea }))),
    },
  ],
};
