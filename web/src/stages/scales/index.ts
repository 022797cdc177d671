/** Scales: what it needs and which work areas it has. */
import { lazy } from "react";
import type { StageManifest } from "../manifest";

export const scales: StageManifest = {
  id: "scales",
  words: "Scales",
  parts: ({ show }) => [
    "hues",
    "scales",
    "ladder",
    "promises",
    "ground",
    ...(show === "all" ? [] : (["scale_detail"] as const)),
  ],
  component: lazy(() => import("./ScalesStage").then((made) => ({ default: made.ScalesStage }))),
  areas: [
    {
      id: "ladder",
      words: "Ladder",
      parts: ["scale_detail"],
      component: lazy(() => import("./areas/LadderArea").then((made) => ({ default: made.LadderArea }))),
    },
    {
      id: "method",
      words: "Method",
      parts: ["scale_detail", "methods"],
      component: lazy(() => import("./areas/MethodArea").then((made) => ({ default: made.MethodArea }))),
    },
    {
      id: "curves",
      words: "Curves",
      parts: ["scale_detail"],
      component: lazy(() => import("./areas/CurvesArea").then((made) => ({ default: made.CurvesArea }))),
    },
    {
      id: "scale",
      words: "One scale",
      parts: ["scale_detail"],
      component: lazy(() => import("./areas/OneScaleArea").then((made) => ({ default: made.OneScaleArea }))),
    },
    {
      id: "overlay",
      words: "Overlay",
      parts: [],
      component: lazy(() => import("./areas/OverlayArea").then((made) => ({ default: made.OverlayArea }))),
    },
    {
      id: "fewer",
      words: "Fewer",
      parts: ["selections"],
      component: lazy(() => import("./areas/FewerArea").then((made) => ({ default: made.FewerArea }))),
    },
  ],
};
