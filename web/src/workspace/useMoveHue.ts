/** Moving a hue among those of its kind: up and down by keys, or to before another by dragging. */
import { useCallback } from "react";
import type { Edit, HueView } from "../api/client";
import { useActions, useNow } from "./workspace";

/** Whether hues of one kind stand apart, with others between them. */
export const scattered = (hues: HueView[]) =>
  hues.filter((hue, place) => hues[place - 1]?.kind !== hue.kind).length >
  new Set(hues.map((hue) => hue.kind)).size;

export function useMoveHue() {
  const now = useNow();
  const { put } = useActions();
  const moveBy = useCallback(
    (hue: HueView, by: number) => {
      const hues = now().view?.hues ?? [];
      const same = hues.filter((other) => other.kind === hue.kind);
      const target = same[same.findIndex((other) => other.id === hue.id) + by];
      if (!target) return;
      // Down: to before whatever follows the neighbour in the order of all hues, so that no other kind is passed.
      const others = hues.filter((other) => other.id !== hue.id);
      const after = others.findIndex((other) => other.id === target.id) + 1;
      const before = by < 0 ? target : others[after];
      void put({ type: "move_hue", hue: hue.id, before: before?.id ?? null } as Edit);
    },
    [now, put],
  );
  const moveBefore = useCallback(
    (hue: string, before: string) => {
      if (hue !== before) void put({ type: "move_hue", hue, before } as Edit);
    },
    [put],
  );
  const group = useCallback(() => {
    const hues = now().view?.hues ?? [];
    const kinds = [...new Set(hues.map((hue) => hue.kind))];
    const wanted = kinds.flatMap((kind) => hues.filter((hue) => hue.kind === kind));
    void put(...wanted.map((hue) => ({ type: "move_hue", hue: hue.id, before: null }) as Edit));
  }, [now, put]);
  return { moveBy, moveBefore, group };
}
