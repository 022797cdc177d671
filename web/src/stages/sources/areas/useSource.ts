/** The hue that an area starts from: the selected one, else the first. */
import type { HueView } from "../../../api/client";
import { useView } from "../../../state/workspace";

export function useSource(): HueView | null {
  const hues = useView((view) => view.hues);
  const slip = useView((view) => view.slip);
  return hues.find((hue) => hue.id === slip?.hue) ?? hues[0] ?? null;
}

/** Hues to choose among. */
export function useHueItems() {
  const hues = useView((view) => view.hues);
  return hues.map((hue) => ({ value: hue.id, words: hue.name }));
}
