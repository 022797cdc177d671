/** All steps at a glance, flush; each prints what it would read in the token's hardest pairing, one line bounds what
 * passes. Arrows try it live, Enter keeps, Escape returns. */

import { type KeyboardEvent, useRef } from "react";
import type { HueView, ScaleView, TokenDetail } from "../../api/client";
import { stepKey } from "../../api/keys";
import { useKnown } from "../../workspace/hooks";
import styles from "./picker.module.css";

const NO_HUES: HueView[] = [];
const NO_SCALES: ScaleView[] = [];
/** Beyond so many steps figures are set smaller, or they would touch. */
const MANY = 11;
/** As many signs as fit where a scale has thirteen steps: 12.53 is cut to 12.5. */
const MOST_SIGNS = 4;

interface Props {
  chosen: string | null;
  readings?: TokenDetail["readings"];
  onChoose: (hue: string, step: string) => void;
  /** Tried while the arrows walk; null gives back what was there. */
  onTry?: (step: { hue: string; step: string } | null) => void;
  onHue?: (hue: string) => void;
  own?: string | null;
}

export function StepPicker({ chosen, readings = [], onChoose, onTry, onHue, own }: Props) {
  // A token's editor opens at once: the steps come with the next answer.
  const hues = useKnown(({ parts }) => parts?.hues) ?? NO_HUES;
  const scales = useKnown(({ parts }) => parts?.scales) ?? NO_SCALES;
  const grid = useRef<HTMLDivElement>(null);
  const steps = new Map(scales.map((scale) => [scale.hue, scale.steps]));
  const read = new Map(readings.map((row) => [row.hue, row]));
  const first = hues[0] && stepKey(hues[0].id, steps.get(hues[0].id)?.[0]?.id ?? "");
  const entry = scales.some((scale) => scale.steps.some((step) => step.key === chosen)) ? chosen : first;

  const walk = (event: KeyboardEvent) => {
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    };
    const move = moves[event.key];
    const at = (event.target as HTMLElement).dataset;
    if (event.key === "Escape") {
      if (onTry) {
        event.preventDefault();
        event.stopPropagation();
        onTry(null);
      }
      return;
    }
    if (!move || at.row === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const row = Number(at.row) + move[1];
    const hue = hues[row];
    const all = hue ? (steps.get(hue.id) ?? []) : [];
    if (!hue || all.length === 0) return;
    const here = steps.get(hues[Number(at.row)]?.id ?? "") ?? [];
    // To the place of the same lightness, where a scale has another number of steps.
    const place =
      move[1] === 0
        ? Math.min(Math.max(Number(at.place) + move[0], 0), all.length - 1)
        : Math.round((Number(at.place) / Math.max(here.length - 1, 1)) * (all.length - 1));
    const step = all[place];
    if (!step) return;
    grid.current?.querySelector<HTMLElement>(`[data-row="${row}"][data-place="${place}"]`)?.focus();
    onTry?.({ hue: hue.id, step: step.id });
  };
  return (
    <div role="group" aria-label="Steps" ref={grid} onKeyDown={walk} className={styles.picker}>
      {hues.map((hue, row) => {
        const reading = read.get(hue.id);
        const count = steps.get(hue.id)?.length ?? 0;
        return (
          <div key={hue.id} className={`${styles.row} ${count > MANY ? styles.many : ""}`}>
            <button
              type="button"
              className={styles.hue}
              aria-pressed={own === hue.id}
              disabled={!onHue}
              title={onHue ? `${hue.name} itself, exact` : undefined}
              onClick={() => onHue?.(hue.id)}
            >
              {hue.name}
            </button>
            {steps.get(hue.id)?.map((step, place) => {
              const passes = reading?.passes[place];
              const text = reading?.texts[place]?.slice(0, MOST_SIGNS);
              const bound = reading && place > 0 && reading.passes[place - 1] !== passes;
              return (
                <button
                  type="button"
                  key={step.id}
                  className={`${styles.step} ${bound ? styles.bound : ""}`}
                  data-row={row}
                  data-place={place}
                  tabIndex={step.key === entry ? 0 : -1}
                  aria-pressed={step.key === chosen}
                  aria-label={`${hue.name} ${step.label}, ${step.hex}${reading ? `, ${text}${passes ? "" : ", falls short"}` : ""}`}
                  style={{ background: step.seen, color: step.ink }}
                  onClick={() => onChoose(hue.id, step.id)}
                >
                  {text ?? step.label}
                </button>
              );
            })}
          </div>
        );
      })}
    </div>
  );
}
