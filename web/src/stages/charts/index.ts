/** Charts: what it needs and which work areas it has. */
import { isTable } from "../../util/isTable";
import { lazily, type StageManifest } from "../manifest";

export const charts: StageManifest = {
  id: "charts",
  words: "Charts",
  draws: true,
  parts: () => [
    "palettes",
    "palette_detail",
    "findings",
    "repairs",
    "palette_grounds",
    "stops",
    "slip",
    "specimen",
  ],
  component: lazily(() => import("./ChartsStage"), "ChartsStage"),
  takes: (files, text) =>
    files.length > 0 ? files.every(isTable) : text.split("\n").length > 2 && /[,;\t]/.test(text),
  areas: [
    {
      id: "generate",
      words: "Make apart",
      says: "Colors for categories, as far apart as can be, with your brand colors kept.",
      needs: "edit",
      parts: ["hues"],
      component: lazily(() => import("./areas/GenerateArea"), "GenerateArea"),
    },
    {
      id: "from-a-set",
      words: "From a set",
      says: "A palette from colors that you have: what they suit, and why.",
      needs: "edit",
      parts: ["candidates"],
      component: lazily(() => import("./areas/FromSetArea"), "FromSetArea"),
    },
    {
      id: "one-hue",
      words: "One hue",
      says: "From little to much, in one hue or several.",
      needs: "edit",
      parts: ["hues"],
      component: lazily(() => import("./areas/OneHueArea"), "OneHueArea"),
    },
    {
      id: "two-ends",
      words: "Two ends",
      says: "Two ends and a middle, for values that differ from a norm.",
      needs: "edit",
      parts: ["hues"],
      component: lazily(() => import("./areas/TwoEndsArea"), "TwoEndsArea"),
    },
    {
      id: "in-use",
      room: "part",
      words: "In use",
      says: "Which colors stand for which meaning, in every palette.",
      apart: true,
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/UsedArea"), "UsedArea"),
    },
    {
      id: "glance",
      words: "All at a glance",
      says: "All palettes by kind, with names that can be said.",
      room: "all",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/GlanceArea"), "GlanceArea"),
    },
  ],
};
