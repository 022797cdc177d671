/** The hue that an area starts from: the selected one, else the first. */

import type { HueView } from "../../../api/client";
import { usePart } from "../../../workspace/hooks";
import { useSelectedHue } from "../../../workspace/useSelectedHue";

export function useSource(): HueView | null {
  const hues = usePart("hues");
  return useSelectedHue() ?? hues[0] ?? null;
}

/** Hues to choose among. */
export function useHueItems() {
  const hues = usePart("hues");
  return hues.map((hue) => ({ value: hue.id, words: hue.name }));
}
