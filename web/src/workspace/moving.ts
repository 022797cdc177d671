/** Moving the selected hue, or nudging the selected step or all that are chosen: one gesture, previewed while it lasts, kept when it ends. */
import { useCallback, useRef } from "react";
import type { Edit, SlipView } from "../api/client";
import { STRONGEST_CHROMA } from "../api/constants.generated";
import { edit } from "../api/edits";
import { stepRef } from "../api/keys";
import { useChosen } from "./chosen";
import { useNow, useWorkspace } from "./hooks";
import { useLook } from "./look";

export interface Aim {
  lightness: number;
  chroma: number;
  angle: number;
}

export function aimOf(slip: SlipView): Aim {
  return { ...slip.aim };
}

function allowed(aim: Aim): Aim {
  return {
    lightness: Math.min(Math.max(aim.lightness, 0), 100),
    chroma: Math.min(Math.max(aim.chroma, 0), STRONGEST_CHROMA),
    angle: ((aim.angle % 360) + 360) % 360,
  };
}

interface Gesture {
  hue: string;
  step: string | null;
  /** Where the selected one stood, and where it shall. */
  from: Aim;
  at: Aim;
  /** The steps that are nudged by as much, where several are chosen. */
  together: readonly string[];
}

const editOf = ({ hue, step, from, at, together }: Gesture): Edit => {
  if (together.length > 1) {
    return edit("nudge_steps", {
      steps: together.map(stepRef),
      lightness: at.lightness - from.lightness,
      chroma: at.chroma - from.chroma,
      turn: at.angle - from.angle,
    });
  }
  return step === null ? edit("aim_source", { hue, ...at }) : edit("aim_step", { hue, step, ...at });
};

export function useMoving() {
  const now = useNow();
  const { preview, endPreview, put, slipOf } = useWorkspace();
  const aim = useRef<Gesture | null>(null);
  // A key pressed again before the last gesture was answered goes on from there, not from what is still shown.
  const unanswered = useRef<Gesture | null>(null);

  const move = useCallback(
    (change: (from: Aim) => Partial<Aim>) => {
      const selected = now().slip;
      if (!aim.current) {
        const together = useChosen.getState().keys;
        if (!selected || (together.length < 2 && !selected.movable_hue)) return;
        const { movable_hue: hue, movable_step: step } = selected;
        const last = unanswered.current;
        const same = last?.hue === (hue ?? "") && last.step === step && last.together === together;
        const from = same && last ? last.at : aimOf(selected);
        aim.current = { hue: hue ?? "", step, from, at: from, together };
      }
      const { at } = aim.current;
      aim.current = { ...aim.current, at: allowed({ ...at, ...change(at) }) };
      preview([editOf(aim.current)]);
    },
    [now, preview],
  );

  // Presses that came before it was told where the selected color stands: together they are one gesture.
  const late = useRef<{ select: string; changes: ((from: Aim) => Partial<Aim>)[] } | null>(null);

  /** Move what is selected from where it stands; once that is known, where the selection is ahead of it. */
  const press = useCallback(
    async (change: (from: Aim) => Partial<Aim>) => {
      const { select } = useLook.getState();
      if (aim.current || !select || now().slip?.key === select) {
        move(change);
        return;
      }
      if (late.current?.select === select) {
        late.current.changes.push(change);
        return;
      }
      const mine = { select, changes: [change] };
      late.current = mine;
      const together = useChosen.getState().keys;
      const slip = await slipOf(select).catch(() => null);
      if (late.current === mine) late.current = null;
      if (!slip || (together.length < 2 && !slip.movable_hue)) return;
      const from = aimOf(slip);
      let at = from;
      for (const next of mine.changes) at = allowed({ ...at, ...next(at) });
      const gesture = { hue: slip.movable_hue ?? "", step: slip.movable_step, from, at, together };
      unanswered.current = gesture;
      await put(editOf(gesture));
      if (unanswered.current === gesture) unanswered.current = null;
    },
    [now, move, put, slipOf],
  );

  const end = useCallback(async () => {
    const gesture = aim.current;
    if (!gesture) return;
    aim.current = null;
    unanswered.current = gesture;
    await put(editOf(gesture));
    if (unanswered.current === gesture) unanswered.current = null;
  }, [put]);

  const cancel = useCallback(() => {
    aim.current = null;
    endPreview();
  }, [endPreview]);

  return { move, press, end, cancel };
}
