/** The lightness aimed at over the steps of a ladder, with a handle on each: by mouse, touch and keys. */
import { type KeyboardEvent, useRef, useState } from "react";
import type { SafeView } from "../../../api/client";
import { useDrag } from "../../../util/useDrag";
import ink from "./ink.module.css";
import styles from "./plot.module.css";
import { changed, room } from "./shaping";
import type { Draft } from "./useLadder";

interface Props {
  draft: Draft;
  onChange: (draft: Draft) => void;
  /** The step that is looked at, and its safe range once it is known. */
  at: number | null;
  safe: SafeView | null;
  onAt: (step: number) => void;
}

const TENTHS = 10;

export function LadderPlot({ draft, onChange, at, safe, onAt }: Props) {
  const plot = useRef<HTMLDivElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  /** The ladder as it was when a handle was taken hold of. */
  const began = useRef(draft);
  const count = draft.steps.length;
  const across = (place: number) => (100 * (place + 0.5)) / count;
  const move = (place: number, to: number) => {
    const step = draft.steps[place];
    const [low, high] = room(draft, place);
    const lightness = Math.round(Math.min(Math.max(to, low), high) * TENTHS) / TENTHS;
    if (step && lightness !== step.lightness) onChange(changed(draft, step.key, { lightness }));
  };
  const letGo = () => setHeld(null);
  const drag = useDrag<number>(plot, {
    begin: (place) => {
      began.current = draft;
      setHeld(place);
    },
    move: (place, { down }) => move(place, 100 - 100 * down),
    end: letGo,
    cancel: letGo,
  });
  const onKeyDown = (event: KeyboardEvent, place: number) => {
    const by = event.shiftKey ? 10 : 1;
    const at = draft.steps[place]?.lightness ?? 0;
    if (event.key === "ArrowUp") move(place, at + by);
    else if (event.key === "ArrowDown") move(place, at - by);
    else if (event.key === "Escape" && held !== null) {
      drag.release();
      letGo();
      onChange(began.current);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const line = draft.steps.map((step, place) => `${across(place)},${100 - step.lightness}`).join(" ");
  return (
    <div ref={plot} className={`${ink.plot} ${styles.plot}`} data-testid="ladder-plot">
      <span className={styles.high}>top: L* 100, white</span>
      <span className={styles.low}>foot: L* 0, black</span>
      <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
        <polyline points={line} />
      </svg>
      {at !== null && safe && (safe.below || safe.above) && (
        <i
          className={ink.safe}
          data-testid="safe-rung"
          style={{ left: `${across(at)}%`, top: `${100 - safe.high}%`, bottom: `${safe.low}%` }}
        />
      )}
      {draft.steps.map((step, place) => (
        <div
          key={step.key}
          role="slider"
          tabIndex={0}
          aria-label={`L* of ${step.label}`}
          aria-orientation="vertical"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={step.lightness}
          className={ink.handle}
          style={{ left: `${across(place)}%`, top: `${100 - step.lightness}%` }}
          {...drag.grab(place)}
          onKeyDown={(event) => onKeyDown(event, place)}
          onFocus={() => onAt(place)}
          onPointerEnter={() => held === null && onAt(place)}
        >
          <span />
        </div>
      ))}
    </div>
  );
}
