/** Hues of one kind in their order, those that are derived right under the hue that they follow. */
import type { HueView } from "../../api/client";

export interface Placed {
  hue: HueView;
  depth: number;
}

/** A hue whose parent is of another kind stands by itself. Tinted neutrals are no part of their parent. */
export function underParents(hues: HueView[]): Placed[] {
  const ids = new Set(hues.map((hue) => hue.id));
  const parentOf = (hue: HueView) =>
    hue.follows?.kind === "derived" && ids.has(hue.follows.hue) ? hue.follows.hue : null;
  const placed: Placed[] = [];
  const put = (hue: HueView, depth: number) => {
    placed.push({ hue, depth });
    for (const child of hues) if (parentOf(child) === hue.id) put(child, depth + 1);
  };
  for (const hue of hues) if (parentOf(hue) === null) put(hue, 0);
  return placed;
}
