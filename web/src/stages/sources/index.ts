/** Sources: what it needs and which work areas it has. */
import { lazily, type StageManifest } from "../manifest";

export const sources: StageManifest = {
  id: "sources",
  words: "Sources",
  parts: () => ["hues", "status", "candidates", "stops", "ladder"],
  component: lazily(() => import("./SourcesStage"), "SourcesStage"),
  areas: [
    {
      id: "harmony",
      words: "Harmony",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/HarmonyArea"), "HarmonyArea"),
    },
    {
      id: "even",
      words: "Even set",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/EvenArea"), "EvenArea"),
    },
    {
      id: "mix",
      words: "Mix",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/MixArea"), "MixArea"),
    },
    {
      id: "picture",
      words: "From a picture",
      apart: true,
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/picture/PictureArea"), "PictureArea"),
    },
    {
      id: "gallery",
      words: "Gallery",
      needs: "look",
      parts: [],
      component: lazily(() => import("./areas/GalleryArea"), "GalleryArea"),
    },
    {
      id: "status",
      words: "Status colors",
      apart: true,
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/StatusArea"), "StatusArea"),
    },
    {
      id: "neutral",
      words: "Neutrals",
      needs: "edit",
      parts: ["scales"],
      component: lazily(() => import("./areas/NeutralArea"), "NeutralArea"),
    },
    {
      id: "text",
      words: "Edit as text",
      as: "command",
      needs: "edit",
      parts: [],
      component: lazily(() => import("./areas/TextArea"), "TextArea"),
    },
  ],
};
