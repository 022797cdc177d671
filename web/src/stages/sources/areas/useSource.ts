/** The hue that an area starts from: the selected one, else the first. */
import type { HueView } from "../../../api/client";
import { useView } from "../../../state/workspace";

export function useSource(): HueView | null {
  const { hues, slip } = useView();
  return hues.find((hue) => hue.id === slip?.hue) ?? hues[0] ?? null;
}

/** Hues to choose among. */
export function useHueItems() {
  const { hues } = useView();
  return hues.map((hue) => ({ value: hue.id, words: hue.name }));
}
