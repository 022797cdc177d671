/** A ramp of the slip: the colors along one quantity, flush, with the value on it. A slider by mouse, touch and keys. */
import { type KeyboardEvent, useEffect, useId, useRef, useState } from "react";
import type { RampView, SafeView } from "../api/client";
import { NumberField } from "../components/NumberField";
import { safeWords } from "../components/safeWords";
import { type DragPoint, useDrag, within } from "../util/useDrag";
import { useGrip } from "../util/useGrip";
import styles from "./ramp.module.css";

interface Props {
  label: string;
  /** The key of what is moved. */
  of: string;
  ramp: RampView;
  step: number;
  places: number;
  unit?: string;
  movable: boolean;
  /** The interval in which no finding changes, once it is known. */
  safe: SafeView | null;
  /** What is told of the safe range, while one is at this ramp. */
  onTell: (words: string | null) => void;
  onMove: (value: number) => void;
  onEnd: () => Promise<void>;
  /** A key was let go: perhaps another press follows. */
  onRest: () => Promise<void>;
  onCancel: () => void;
}

export function SlipRamp({
  label,
  of,
  ramp,
  step,
  places,
  unit = "",
  movable,
  safe,
  onTell,
  onMove,
  onEnd,
  onRest,
  onCancel,
}: Props) {
  const track = useRef<HTMLDivElement>(null);
  const grip = useGrip<number>(of);
  const span = ramp.high - ramp.low;
  const value = grip.value ?? ramp.value;
  const share = (at: number) => `${(100 * (Math.min(Math.max(at, ramp.low), ramp.high) - ramp.low)) / span}%`;
  const blocks = ramp.colors
    .map(
      (color, place) =>
        `${color} ${(100 * place) / ramp.colors.length}% ${(100 * (place + 1)) / ramp.colors.length}%`,
    )
    .join(", ");

  const go = (to: number) => {
    const allowed = Math.min(Math.max(to, ramp.low), ramp.high);
    grip.hold(allowed);
    onMove(allowed);
  };
  const cancel = () => {
    grip.drop();
    onCancel();
  };
  const finish = () => void grip.letGo(onEnd);
  const follow = (_: null, { across }: DragPoint) => go(ramp.low + within(across) * span);
  const drag = useDrag<null>(track, { begin: follow, move: follow, end: finish, cancel });
  const onKeyDown = (event: KeyboardEvent) => {
    if (!movable) return;
    const by = event.shiftKey || event.key.startsWith("Page") ? 10 * step : step;
    const up = ["ArrowRight", "ArrowUp", "PageUp"].includes(event.key);
    const down = ["ArrowLeft", "ArrowDown", "PageDown"].includes(event.key);
    if (event.key === "Home") go(ramp.low);
    else if (event.key === "End") go(ramp.high);
    else if (up || down) go(value + (up ? by : -by));
    else if (event.key === "Escape" && grip.value !== null) {
      drag.release();
      cancel();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const id = useId();
  const words = safe ? `${label}: ${safeWords(safe, places, unit)}` : null;
  const [here, setHere] = useState(false);
  // What is found while somebody is at the ramp already is told too.
  useEffect(() => {
    if (!here) return;
    onTell(words);
    return () => onTell(null);
  }, [here, words, onTell]);
  return (
    <div
      className={styles.ramp}
      onPointerEnter={() => setHere(true)}
      onPointerLeave={() => setHere(false)}
      onFocus={() => setHere(true)}
      onBlur={() => setHere(false)}
    >
      <span className={styles.label}>{label}</span>
      <div
        ref={track}
        role="slider"
        tabIndex={movable ? 0 : -1}
        aria-label={label}
        aria-valuemin={ramp.low}
        aria-valuemax={ramp.high}
        aria-valuenow={Number(value.toFixed(places))}
        aria-valuetext={value.toFixed(places) + unit}
        aria-disabled={!movable}
        aria-readonly={!movable}
        aria-describedby={safe ? id : undefined}
        className={movable ? styles.movable : styles.track}
        {...(movable ? drag.grab(null) : {})}
        onKeyDown={onKeyDown}
        onKeyUp={() => void grip.letGo(onRest)}
        onBlur={() => {
          drag.release();
          finish();
        }}
      >
        {ramp.passing.map(([low = 0, high = 0]) => (
          <div
            key={low}
            className={styles.passing}
            style={{ left: share(low), right: `calc(100% - ${share(high)})` }}
          />
        ))}
        <div className={styles.colors} style={{ background: `linear-gradient(90deg, ${blocks})` }} />
        {safe &&
          bounds(safe, ramp).map(([low, high, open]) => (
            <div
              key={low}
              className={styles.safe}
              data-testid="safe"
              style={{
                left: share(low),
                right: `calc(100% - ${share(high)})`,
                ...(open === "low" ? { borderLeftWidth: 0 } : open === "high" ? { borderRightWidth: 0 } : {}),
              }}
            />
          ))}
        {ramp.reach < ramp.high && (
          <div
            className={styles.reach}
            title={`The gamut ends at ${ramp.reach.toFixed(places)}`}
            style={{ left: share(ramp.reach) }}
          />
        )}
        <div className={styles.value} style={{ left: share(value), opacity: movable ? 1 : 0.6 }} />
      </div>
      {safe && (
        <div id={id} className={styles.told}>
          {words}
        </div>
      )}
      {movable ? (
        <NumberField
          label={`${label}, as a number`}
          value={ramp.value}
          low={ramp.low}
          high={ramp.high}
          step={step}
          places={places}
          unit={unit}
          width="60px"
          onStep={onMove}
          onCancel={onCancel}
          onCommit={(typed) => {
            onMove(typed);
            return onEnd();
          }}
        />
      ) : (
        <span className={styles.figure}>{ramp.value.toFixed(places) + unit}</span>
      )}
    </div>
  );
}

/** The stretches of a ramp that a safe range covers, and which of their ends is not an end of it: a hue's goes round. */
function bounds(safe: SafeView, ramp: RampView): [number, number, "low" | "high" | null][] {
  if (!safe.below && !safe.above) return [];
  const span = ramp.high - ramp.low;
  if (safe.low < ramp.low) {
    return [
      [ramp.low, safe.high, "low"],
      [safe.low + span, ramp.high, "high"],
    ];
  }
  if (safe.high > ramp.high) {
    return [
      [safe.low, ramp.high, "high"],
      [ramp.low, safe.high - span, "low"],
    ];
  }
  return [[safe.low, safe.high, null]];
}
