/** One curve drawn over what the gamut has, each step under the step of the sheet that it shapes, the steps themselves
 * as a strip at its foot; every handle stands where it moves. The other two quantities run along as thin lines. */

import { type KeyboardEvent, memo, useRef } from "react";
import type { CurveView, HandleView, SafeView, StepView } from "../../../api/client";
import { NumberField } from "../../../components/NumberField";
import { useDrag } from "../../../util/useDrag";
import { useGrip } from "../../../util/useGrip";
import { LABELS_WIDTH } from "../sizes";
import styles from "./curve.module.css";
import ink from "./ink.module.css";

const STEP = {
  lightness: { by: 1, places: 1, foot: 0, unit: "" },
  chroma: { by: 0.005, places: 3, foot: 2, unit: "" },
  hue: { by: 1, places: 0, foot: 0, unit: "°" },
} as const;

interface Props {
  curves: CurveView[];
  /** The quantity that is shaped; the others are only seen. */
  name: CurveView["name"];
  steps: StepView[];
  /** How many columns the sheet has. */
  columns: number;
  onMove: (curve: CurveView["name"], handle: HandleView, value: number) => void;
  onEnd: (curve: CurveView["name"], handle: HandleView, value: number) => Promise<unknown>;
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

/** Where each step stands on the sheet, in percent: several may share a column. */
function stands(steps: StepView[], columns: number): { left: number; width: number; middle: number }[] {
  const seen = new Map<number, number>();
  return steps.map(({ column }) => {
    const sharing = steps.filter((other) => other.column === column).length;
    const place = seen.get(column) ?? 0;
    seen.set(column, place + 1);
    const width = 100 / columns / sharing;
    const left = (100 * column) / columns + place * width;
    return { left, width, middle: left + width / 2 };
  });
}

export const CurveSheet = memo(function CurveSheet({
  curves,
  name,
  steps,
  columns,
  at,
  safe,
  ...props
}: Props) {
  const plot = useRef<HTMLDivElement>(null);
  const grip = useGrip<Held>(name);
  const held = grip.value;
  const curve = curves.find((each) => each.name === name);
  const columnsAt = stands(steps, columns);
  const drag = useDrag<HandleView>(plot, {
    begin: ({ at, value }) =>
      curve && grip.hold({ at, value, moved: false, low: curve.low, high: curve.high }),
    move: (handle, { down }) =>
      held?.at === handle.at && move(handle, held.high - (held.high - held.low) * down),
    end: () => finish(),
    cancel: () => cancel(),
  });
  if (!curve) return null;
  const { low, high } = held ?? curve;
  const { by, places, foot, unit } = STEP[name];
  const range = { low, high };
  const looked = curve.handles.find((handle) => handle.at === at);
  /** Between two steps, between their middles. */
  const across = (place: number) => {
    const before = columnsAt[Math.floor(place)]?.middle ?? 0;
    const after = columnsAt[Math.ceil(place)]?.middle ?? before;
    return before + (after - before) * (place - Math.floor(place));
  };
  const down = (value: number, from: { low: number; high: number }) =>
    100 - (100 * (value - from.low)) / (from.high - from.low);
  const points = (line: number[][], from: { low: number; high: number }) =>
    line
      .map(([place = 0, value = 0]) => `${across(place).toFixed(2)},${down(value, from).toFixed(2)}`)
      .join(" ");
  /** Along the most that is possible, and back along the least; at both ends to the edge of the plot. */
  const outline = (possible: number[][]) => {
    const side = (of: (point: number[]) => number) => {
      const along = possible.map((point) => [across(point[0] ?? 0), down(of(point), range)]);
      return [[0, along[0]?.[1]], ...along, [100, along.at(-1)?.[1]]];
    };
    const most = side(([, , value = 0]) => Math.min(value, range.high));
    const least = side(([, value = 0]) => Math.max(value, range.low));
    return [...most, ...least.reverse()].map(([x = 0, y = 0]) => `${x.toFixed(2)},${y.toFixed(2)}`).join(" ");
  };
  const now = (handle: HandleView) => (held?.at === handle.at ? held.value : handle.value);
  const move = (handle: HandleView, to: number) => {
    const value = Math.min(Math.max(to, handle.low), handle.high);
    grip.hold({ at: handle.at, value, moved: true, low, high });
    props.onMove(name, handle, value);
  };
  const keep = (last: Held) => {
    const handle = curve.handles.find((each) => each.at === last.at);
    if (handle && last.moved) return props.onEnd(name, handle, last.value);
  };
  const finish = () => {
    drag.release();
    void grip.letGo(keep);
  };
  const cancel = () => {
    drag.release();
    grip.drop();
    props.onCancel();
  };
  const onKeyDown = (event: KeyboardEvent, handle: HandleView) => {
    const step = event.shiftKey ? 10 * by : by;
    if (event.key === "ArrowUp") move(handle, now(handle) + step);
    else if (event.key === "ArrowDown") move(handle, now(handle) - step);
    else if (event.key === "Escape" && held) cancel();
    else if (event.key === "Backspace" || event.key === "Delete") props.onReset(name, handle);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const [sourcePlace = 0, sourceValue = 0] = curve.source;
  return (
    <section className={styles.sheet} aria-label={`Curve of ${name}`} data-curve={name}>
      <div className={styles.gutter} style={{ width: LABELS_WIDTH }}>
        <span>
          {high.toFixed(foot)}
          {unit}
        </span>
        <span>
          {low.toFixed(foot)}
          {unit}
        </span>
      </div>
      <div className={styles.room}>
        <div
          ref={plot}
          className={styles.plot}
          title="Plain: what the gamut has; hatched: more than it has, which is cut off"
        >
          <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
            <polygon className={styles.possible} points={outline(curve.possible)} />
            {curves
              .filter((other) => other.name !== name)
              .map((other) => (
                <Line key={other.name} points={points(other.line, other)} className={styles.thin} />
              ))}
            <Line points={points(curve.line, range)} className={styles.line} />
          </svg>
          {curve.steps.map((value, place) => (
            <i
              // A step's mark has no identity but its place.
              // biome-ignore lint/suspicious/noArrayIndexKey: see above
              key={place}
              className={styles.step}
              style={{ left: `${across(place)}%`, top: `${down(value, range)}%` }}
            />
          ))}
          <i
            className={styles.source}
            title="The hue’s own color: every curve passes through it"
            style={{ left: `${across(sourcePlace)}%`, top: `${down(sourceValue, range)}%` }}
          />
          {looked && safe && (safe.below || safe.above) && (
            <i
              className={`${ink.safe} ${styles.safe}`}
              data-testid="safe-handle"
              style={{
                left: `${across(looked.place)}%`,
                top: `${down(Math.min(safe.high, high), range)}%`,
                bottom: `${100 - down(Math.max(safe.low, low), range)}%`,
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
              className={`${ink.handle} ${styles.handle}`}
              data-at={handle.at}
              style={{ left: `${across(handle.place)}%`, top: `${down(now(handle), range)}%` }}
              {...drag.grab(handle)}
              onKeyDown={(event) => onKeyDown(event, handle)}
              onKeyUp={() => grip.rest(keep)}
              onBlur={finish}
              onFocus={() => props.onAt(name, handle)}
              onPointerEnter={() => !held && props.onAt(name, handle)}
            >
              <span className={handle.set ? ink.set : undefined} />
            </div>
          ))}
        </div>
        <div className={styles.steps} data-sample>
          {steps.map((step, place) => (
            <span
              key={step.id}
              className={styles.column}
              style={{
                left: `${columnsAt[place]?.left}%`,
                width: `${columnsAt[place]?.width}%`,
                background: step.seen,
              }}
            />
          ))}
        </div>
        <div className={styles.fields}>
          {curve.handles.map((handle) => (
            <span
              key={handle.at}
              className={styles.field}
              // A field stays within the sheet, also where its handle stands at an end.
              style={{ left: `clamp(29px, ${across(handle.place)}%, calc(100% - 29px))` }}
            >
              <NumberField
                label={`${handle.words}, as a number`}
                value={now(handle)}
                low={Number(handle.low.toFixed(places))}
                high={Number(handle.high.toFixed(places))}
                step={by}
                places={places}
                unit={unit}
                width="58px"
                onStep={(value) => props.onMove(name, handle, value)}
                onCancel={props.onCancel}
                onCommit={(value) =>
                  props.onEnd(name, handle, Math.min(Math.max(value, handle.low), handle.high))
                }
              />
            </span>
          ))}
          {curve.handles.length === 0 && <span>A gray has no {name} to shape.</span>}
        </div>
      </div>
    </section>
  );
});

/** A line in ink, with paper around it where it crosses another. */
function Line({ points, className }: { points: string; className: string | undefined }) {
  return (
    <g className={className}>
      <polyline className={styles.around} points={points} />
      <polyline points={points} />
    </g>
  );
}
