/** The hue that is selected, or that the selected step or token stands on. */
import type { HueView } from "../api/client";
import { usePart } from "./hooks";

export function useSelectedHue(): HueView | null {
  const hues = usePart("hues");
  const id = usePart("slip", (slip) => slip?.hue);
  return hues.find((hue) => hue.id === id) ?? null;
}
