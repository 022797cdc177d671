/** Two colors that are compared, touching. */
import styles from "./halves.module.css";

interface Props {
  one: string;
  other: string;
  words?: string;
  height?: string;
  width?: string;
}

export function Halves({ one, other, words, height = "24px", width = "64px" }: Props) {
  return (
    <span
      className={styles.halves}
      style={{ height, width }}
      role="img"
      aria-label={words ?? `${one} beside ${other}`}
    >
      <span style={{ background: one }} />
      <span style={{ background: other }} />
    </span>
  );
}
