/** One curve over the steps, with handles on it: by mouse, touch and keys; typed below. */

import { type KeyboardEvent, memo, type PointerEvent, useRef } from "react";
import type { CurveView, HandleView, SafeView } from "../../../api/client";
import { NumberField } from "../../../components/NumberField";
import { useGrip } from "../../../util/useGrip";
import { usePart } from "../../../workspace/hooks";
import styles from "./curve.module.css";
import ink from "./ink.module.css";

const STEP = {
  lightness: { by: 1, places: 1, unit: "" },
  chroma: { by: 0.005, places: 3, unit: "" },
  hue: { by: 1, places: 0, unit: "°" },
} as const;

interface Props {
  curve: CurveView;
  onMove: (curve: CurveView["name"], handle: HandleView, value: number) => void;
  onEnd: (curve: CurveView["name"], handle: HandleView, value: number) => Promise<void>;
  onCancel: () => void;
  onReset: (curve: CurveView["name"], handle: HandleView) => void;
  /** The reach of the handle that is being looked at, and its safe range once it is known. */
  at: number | null;
  safe: SafeView | null;
  onAt: (curve: CurveView["name"], handle: HandleView) => void;
}

interface Held {
  at: number;
  value: number;
  /** Whether it was moved since it was taken hold of. What is shown follows at once, so its value alone does not tell. */
  moved: boolean;
  /** The plot keeps its range while a handle moves, so that the handle stays under the pointer. */
  low: number;
  high: number;
}

export const CurvePlot = memo(function CurvePlot({ curve, at, safe, ...props }: Props) {
  const plot = useRef<HTMLDivElement>(null);
  const dragging = useRef(false);
  const grip = useGrip<Held>();
  const held = grip.value;
  const { low, high } = held ?? curve;
  const { by, places, unit } = STEP[curve.name];
  const steps = curve.steps.length;
  const looked = curve.handles.find((handle) => handle.at === at);
  const across = (place: number) => (100 * (place + 0.5)) / steps;
  const down = (value: number) => 100 - (100 * (value - low)) / (high - low);
  const points = (line: number[][]) =>
    line.map(([place = 0, value = 0]) => `${across(place).toFixed(2)},${down(value).toFixed(2)}`).join(" ");
  const now = (handle: HandleView) => (held?.at === handle.at ? held.value : handle.value);

  const move = (handle: HandleView, to: number) => {
    const value = Math.min(Math.max(to, handle.low), handle.high);
    grip.hold({ at: handle.at, value, moved: true, low, high });
    props.onMove(curve.name, handle, value);
  };
  const finish = () => {
    dragging.current = false;
    void grip.letGo((last) => {
      const handle = curve.handles.find((each) => each.at === last.at);
      if (handle && last.moved) return props.onEnd(curve.name, handle, last.value);
    });
  };
  const cancel = () => {
    dragging.current = false;
    grip.drop();
    props.onCancel();
  };
  const onPointerMove = (event: PointerEvent, handle: HandleView) => {
    const box = plot.current?.getBoundingClientRect();
    if (!dragging.current || held?.at !== handle.at || !box) return;
    move(handle, high - ((high - low) * (event.clientY - box.top)) / box.height);
  };
  const onKeyDown = (event: KeyboardEvent, handle: HandleView) => {
    const step = event.shiftKey ? 10 * by : by;
    if (event.key === "ArrowUp") move(handle, now(handle) + step);
    else if (event.key === "ArrowDown") move(handle, now(handle) - step);
    else if (event.key === "Escape" && held) cancel();
    else if (event.key === "Backspace" || event.key === "Delete") props.onReset(curve.name, handle);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const [sourcePlace = 0, sourceValue = 0] = curve.source;
  return (
    <section className={styles.curve} aria-label={`Curve of ${curve.name}`} data-curve={curve.name}>
      <div className={styles.head}>
        <strong>{curve.words}</strong>
        <span>
          foot {low.toFixed(curve.name === "chroma" ? 2 : 0)}
          {unit}, top {high.toFixed(curve.name === "chroma" ? 2 : 0)}
          {unit}
        </span>
      </div>
      <div ref={plot} className={`${ink.plot} ${styles.plot}`}>
        <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
          {curve.edge.length > 0 && (
            <polygon points={`${across(0)},0 ${points(curve.edge)} ${across(steps - 1)},0`} />
          )}
          {curve.edge.length > 0 && <polyline className={styles.edge} points={points(curve.edge)} />}
          <polyline points={points(curve.line)} />
        </svg>
        {curve.edge.length > 0 && <span className={styles.beyond}>beyond the gamut</span>}
        {curve.steps.map((value, place) => (
          <i
            // A step's mark has no identity but its place.
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            key={place}
            className={styles.step}
            style={{ left: `${across(place)}%`, top: `${down(value)}%` }}
          />
        ))}
        <i
          className={styles.source}
          title="The hue’s own color: every curve passes through it"
          style={{ left: `${across(sourcePlace)}%`, top: `${down(sourceValue)}%` }}
        />
        {looked && safe && (safe.below || safe.above) && (
          <i
            className={ink.safe}
            data-testid="safe-handle"
            style={{
              left: `${across(looked.place)}%`,
              top: `${down(Math.min(safe.high, high))}%`,
              bottom: `${100 - down(Math.max(safe.low, low))}%`,
            }}
          />
        )}
        {curve.handles.map((handle) => (
          <div
            key={handle.at}
            role="slider"
            tabIndex={0}
            aria-label={handle.words}
            aria-orientation="vertical"
            aria-valuemin={handle.low}
            aria-valuemax={handle.high}
            aria-valuenow={now(handle)}
            aria-valuetext={`${now(handle).toFixed(places)}${unit}${handle.set ? "" : ", as usual"}`}
            className={ink.handle}
            data-at={handle.at}
            style={{ left: `${across(handle.place)}%`, top: `${down(now(handle))}%` }}
            onPointerDown={(event) => {
              if (event.button !== 0) return;
              event.currentTarget.setPointerCapture(event.pointerId);
              dragging.current = true;
              grip.hold({
                at: handle.at,
                value: handle.value,
                moved: false,
                low: curve.low,
                high: curve.high,
              });
            }}
            onPointerMove={(event) => onPointerMove(event, handle)}
            onPointerUp={finish}
            onPointerCancel={cancel}
            onKeyDown={(event) => onKeyDown(event, handle)}
            onKeyUp={finish}
            onBlur={finish}
            onFocus={() => props.onAt(curve.name, handle)}
            onPointerEnter={() => !held && props.onAt(curve.name, handle)}
          >
            <span className={handle.set ? ink.set : undefined} />
          </div>
        ))}
      </div>
      <StepsStrip />
      <div className={styles.fields}>
        {curve.handles.map((handle) => (
          <NumberField
            key={handle.at}
            label={`${handle.words}, as a number`}
            value={now(handle)}
            low={Number(handle.low.toFixed(places))}
            high={Number(handle.high.toFixed(places))}
            step={by}
            places={places}
            unit={unit}
            width="56px"
            onStep={(value) => props.onMove(curve.name, handle, value)}
            onCancel={props.onCancel}
            onCommit={(value) =>
              void props.onEnd(curve.name, handle, Math.min(Math.max(value, handle.low), handle.high))
            }
          />
        ))}
        {curve.handles.length === 0 && <span>A gray has no {curve.name} to shape.</span>}
      </div>
    </section>
  );
});

/** The scale itself, under its curves. */
function StepsStrip() {
  const hue = usePart("scale_detail", (detail) => detail?.hue);
  const steps = usePart("scales", (scales) => scales.find((scale) => scale.hue === hue)?.steps);
  return (
    <div className={styles.strip} aria-hidden="true">
      {steps?.map((step) => (
        <span key={step.id} style={{ background: step.seen }} />
      ))}
    </div>
  );
}
