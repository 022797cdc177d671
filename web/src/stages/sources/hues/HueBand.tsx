/** A hue as a band of its own color, edge to edge with its neighbors; a derived one stands in from its parent. */
import type { HueView, Notation } from "../../../api/client";
import styles from "./band.module.css";

interface Props {
  hue: HueView;
  height: number;
  depth: number;
  quiet: boolean;
  notation: Notation;
  selected: boolean;
  dragged: boolean;
  /** Where a dragged hue would be put. */
  line: "before" | "after" | null;
  /** Whether it is shown as it will be once the database is back. */
  waiting: boolean;
  onSelect: () => void;
}

const IN = 36;
/** Wide enough for the longest value of a notation, so that what stands behind it is aligned. */
const VALUE_WIDTH: Record<Notation, number> = {
  hex: 112,
  rgb: 150,
  hsl: 194,
  hwb: 194,
  hsb: 194,
  lab: 258,
  lch: 258,
  oklab: 258,
  oklch: 258,
  "display-p3": 318,
  name: 130,
};

export function HueBand(props: Props) {
  const { hue, height, depth, quiet, notation, selected, dragged } = props;
  const follows = hue.follows;
  const limits = follows?.limits.join("; ");
  return (
    <button
      type="button"
      className={styles.band}
      draggable
      aria-pressed={selected}
      aria-label={quiet ? `${hue.name} ${hue.hex}` : undefined}
      data-value={hue.hex}
      data-hue={hue.name}
      style={{
        height,
        marginLeft: depth * IN,
        width: `calc(100% - ${depth * IN}px)`,
        background: hue.seen,
        color: hue.ink,
        opacity: dragged ? 0.5 : 1,
      }}
      onClick={props.onSelect}
      data-drag={hue.id}
      data-entry={selected || undefined}
    >
      {props.line && <span className={props.line === "before" ? styles.before : styles.after} />}
      {selected && <span className={styles.flag} />}
      {!quiet && (
        <>
          <span className={height > 40 ? styles.large : styles.name} title={hue.name}>
            {hue.name}
          </span>
          <span className={styles.value} style={{ width: VALUE_WIDTH[notation] }}>
            {hue.text}
          </span>
          <span className={styles.note}>
            {follows ? follows.words : `${hue.status ? `${hue.status}: ` : ""}${hue.note}`}
          </span>
          {props.waiting && <span className={styles.limit}>waiting</span>}
          {follows && <span className={limits ? styles.limit : styles.follows}>{limits || "follows"}</span>}
        </>
      )}
      {hue.alpha < 1 && (
        <span className={styles.alpha} title={`Alpha ${hue.alpha.toFixed(2)}, on white and on black`}>
          <span style={{ background: hue.on_white }} />
          <span style={{ background: hue.on_black }} />
        </span>
      )}
    </button>
  );
}
