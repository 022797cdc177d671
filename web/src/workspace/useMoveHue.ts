/** Moving a hue among those of its kind: up and down by keys, or to before another by dragging. */
import type { HueView } from "../api/client";
import { edit } from "../api/edits";
import { useSteady } from "../util/useSteady";
import { useNow, useWorkspace } from "./hooks";

/** Whether hues of one kind stand apart, with others between them. */
export const scattered = (hues: HueView[]) =>
  hues.filter((hue, place) => hues[place - 1]?.kind !== hue.kind).length >
  new Set(hues.map((hue) => hue.kind)).size;

export function useMoveHue() {
  const now = useNow();
  const { put } = useWorkspace();
  const moveBy = useSteady((hue: HueView, by: number) => {
    const hues = now().hues ?? [];
    const same = hues.filter((other) => other.kind === hue.kind);
    const target = same[same.findIndex((other) => other.id === hue.id) + by];
    if (!target) return;
    // Down: to before whatever follows the neighbour in the order of all hues, so that no other kind is passed.
    const others = hues.filter((other) => other.id !== hue.id);
    const after = others.findIndex((other) => other.id === target.id) + 1;
    const before = by < 0 ? target : others[after];
    void put(edit("move_hue", { hue: hue.id, before: before?.id ?? null }));
  });
  const moveBefore = useSteady((hue: string, before: string) => {
    if (hue !== before) void put(edit("move_hue", { hue, before }));
  });
  const group = useSteady(() => {
    const hues = now().hues ?? [];
    const kinds = [...new Set(hues.map((hue) => hue.kind))];
    const wanted = kinds.flatMap((kind) => hues.filter((hue) => hue.kind === kind));
    void put(...wanted.map((hue) => edit("move_hue", { hue: hue.id, before: null })));
  });
  return { moveBy, moveBefore, group };
}
