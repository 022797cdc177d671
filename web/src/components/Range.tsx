/** A quantity to drag, to step by keys or to type: a track in ink, and the figure beside it. */
import { useId } from "react";
import { useGrip } from "../util/useGrip";
import { NumberField } from "./NumberField";
import styles from "./range.module.css";

interface Props {
  label: string;
  /** Of what, where something else on the page has the same label. */
  of?: string;
  value: number;
  low: number;
  high: number;
  step: number;
  places: number;
  unit?: string;
  /** A share from 0 to 1, which is also typed in percent. */
  share?: boolean;
  /** What the two ends stand for, where no figure tells it. */
  ends?: [string, string];
  width?: string;
  /** The colors along it, evenly, on which the mark stands instead of on a track in ink. */
  colors?: string[];
  /** At every move. */
  onChange: (value: number) => void;
  /** Once a drag, a held key or typing has come to its end. */
  onEnd?: (value: number) => unknown;
}

export function Range(props: Props) {
  const { label, of, value, low, high, step, places, unit, ends, width = "110px", colors, share } = props;
  const { onChange, onEnd } = props;
  const id = useId();
  const grip = useGrip<number>();
  const name = of ? `${label} ${of}`.trim() : label;
  const end = () => void grip.letGo((last) => onEnd?.(last));
  return (
    <div className={styles.range}>
      {label && <label htmlFor={id}>{label}</label>}
      {ends && <span className={styles.end}>{ends[0]}</span>}
      <input
        id={id}
        aria-label={of ? name : undefined}
        type="range"
        min={low}
        max={high}
        step={step}
        value={grip.value ?? value}
        aria-valuetext={unit ? `${(grip.value ?? value).toFixed(places)} ${unit}` : undefined}
        className={colors ? styles.ramp : undefined}
        {...(colors ? { "data-sample": true } : {})}
        style={{
          width,
          ...(colors ? { backgroundImage: `linear-gradient(90deg, ${colors.join(", ")})` } : {}),
        }}
        onChange={(event) => {
          const moved = Number(event.target.value);
          // Without an end there is nothing to be answered: who hears of every move holds the value.
          if (onEnd) grip.hold(moved);
          onChange(moved);
        }}
        onPointerUp={end}
        onKeyUp={() => grip.rest((last) => onEnd?.(last))}
        onBlur={end}
      />
      {ends ? (
        <span className={styles.end}>{ends[1]}</span>
      ) : (
        <NumberField
          label={`${name}, as a number`}
          value={grip.value ?? value}
          low={low}
          high={high}
          step={step}
          places={places}
          {...(unit ? { unit } : {})}
          {...(share ? { share } : {})}
          onCommit={(typed) => {
            onChange(typed);
            return onEnd?.(typed);
          }}
        />
      )}
    </div>
  );
}
