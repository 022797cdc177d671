/** Charts: what it needs and which work areas it has. */
import { isTable } from "../../util/isTable";
import { lazily, type StageManifest } from "../manifest";

export const charts: StageManifest = {
  id: "charts",
  words: "Charts",
  parts: () => ["palettes", "palette_detail", "findings", "repairs", "palette_grounds", "stops", "slip"],
  component: lazily(() => import("./ChartsStage"), "ChartsStage"),
  takes: (files, text) =>
    files.length > 0 ? files.every(isTable) : text.split("\n").length > 2 && /[,;\t]/.test(text),
  areas: [
    {
      id: "generate",
      words: "Make apart",
      needs: "edit",
      parts: ["hues"],
      component: lazily(() => import("./areas/GenerateArea"), "GenerateArea"),
    },
    {
      id: "from-a-set",
      words: "From a set",
      needs: "edit",
      parts: ["candidates"],
      component: lazily(() => import("./areas/FromSetArea"), "FromSetArea"),
    },
    {
      id: "one-hue",
      words: "One hue",
      needs: "edit",
      parts: ["hues"],
      component: lazily(() => import("./areas/OneHueArea"), "OneHueArea"),
    },
    {
      id: "two-ends",
      words: "Two ends",
      needs: "edit",
      parts: ["hues"],
      component: lazily(() => import("./areas/TwoEndsArea"), "TwoEndsArea"),
    },
    {
      id: "in-use",
      words: "In use",
      apart: true,
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/UsedArea"), "UsedArea"),
    },
    {
      id: "glance",
      words: "All at a glance",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/GlanceArea"), "GlanceArea"),
    },
  ],
};
