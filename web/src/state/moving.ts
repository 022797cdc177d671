/** Moving the selected hue in lightness, chroma and hue: one gesture, previewed while it lasts, kept when it ends. */
import { useCallback, useRef } from "react";
import type { Edit, SlipView } from "../api/client";
import { useActions, useKnown } from "./workspace";

export interface Aim {
  lightness: number;
  chroma: number;
  angle: number;
}

const STRONGEST = 0.6;

export function aimOf(slip: SlipView): Aim {
  return { ...slip.aim };
}

function allowed(aim: Aim): Aim {
  return {
    lightness: Math.min(Math.max(aim.lightness, 0), 100),
    chroma: Math.min(Math.max(aim.chroma, 0), STRONGEST),
    angle: ((aim.angle % 360) + 360) % 360,
  };
}

export function useMoving() {
  const { view } = useKnown();
  const { preview, endPreview, put } = useActions();
  const aim = useRef<{ hue: string; at: Aim } | null>(null);
  const slip = view?.slip ?? null;
  const latest = useRef(slip);
  latest.current = slip;

  const move = useCallback(
    (change: (from: Aim) => Partial<Aim>) => {
      const selected = latest.current;
      if (!aim.current) {
        if (!selected?.movable_hue) return;
        aim.current = { hue: selected.movable_hue, at: aimOf(selected) };
      }
      const { hue, at } = aim.current;
      aim.current = { hue, at: allowed({ ...at, ...change(at) }) };
      preview([{ type: "aim_source", hue, ...aim.current.at } as Edit]);
    },
    [preview],
  );

  const end = useCallback(async () => {
    const gesture = aim.current;
    if (!gesture) return;
    aim.current = null;
    await put({ type: "aim_source", hue: gesture.hue, ...gesture.at } as Edit);
  }, [put]);

  const cancel = useCallback(() => {
    aim.current = null;
    endPreview();
  }, [endPreview]);

  return { move, end, cancel };
}
