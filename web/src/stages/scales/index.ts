/** Scales: what it needs and which work areas it has. */
import { lazily, type StageManifest } from "../manifest";

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
  component: lazily(() => import("./ScalesStage"), "ScalesStage"),
  areas: [
    {
      id: "ladder",
      words: "Ladder",
      needs: "edit",
      parts: ["scale_detail"],
      component: lazily(() => import("./areas/LadderArea"), "LadderArea"),
    },
    {
      id: "method",
      words: "Method",
      needs: "edit",
      parts: ["scale_detail", "methods"],
      component: lazily(() => import("./areas/MethodArea"), "MethodArea"),
    },
    {
      id: "curves",
      words: "Curves",
      apart: true,
      needs: "edit",
      parts: ["scale_detail"],
      component: lazily(() => import("./areas/CurvesArea"), "CurvesArea"),
    },
    {
      id: "scale",
      words: "One scale",
      needs: "edit",
      parts: ["scale_detail"],
      component: lazily(() => import("./areas/OneScaleArea"), "OneScaleArea"),
    },
    {
      id: "overlay",
      words: "Overlay",
      apart: true,
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/OverlayArea"), "OverlayArea"),
    },
    {
      id: "fewer",
      words: "Fewer",
      needs: "edit",
      parts: ["selections"],
      component: lazily(() => import("./areas/FewerArea"), "FewerArea"),
    },
    {
      id: "generator",
      words: "Generator",
      needs: "edit",
      parts: ["generators"],
      component: lazily(() => import("./areas/GeneratorArea"), "GeneratorArea"),
      offered: (head) => head.newer,
    },
  ],
};
