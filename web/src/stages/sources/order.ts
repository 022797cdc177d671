/** Hues of one kind in their order, those that are derived right under the hue that they follow. */
import type { HueKind, HueView } from "../../api/client";
import { KIND_ORDER } from "../../api/constants.generated";

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

const LOOKS: Record<HueKind, { words: string; height: number }> = {
  brand: { words: "Brand", height: 46 },
  accent: { words: "Accent", height: 34 },
  status: { words: "Status", height: 28 },
  neutral: { words: "Neutral", height: 28 },
};
/** Kinds in their order, and how high their bands are, in CSS pixels. */
export const KINDS = KIND_ORDER.map((kind) => ({ kind, ...LOOKS[kind] }));

/** All hues as they stand in Sources. */
export const inOrder = (hues: HueView[]) =>
  KINDS.flatMap(({ kind }) => underParents(hues.filter((hue) => hue.kind === kind)).map(({ hue }) => hue));
