/** A contrast ratio in tabular figures, with its grade in words. */
import type { ContrastView } from "../api/client";
import styles from "./ratio.module.css";

/** What a ratio is enough for, as it is said to somebody who does not see the mark. */
export const GRADE_WORDS: Record<ContrastView["grade"], string> = {
  AAA: "passes AAA",
  AA: "passes AA",
  large: "large text only",
  "under 3": "under 3",
};

export function Ratio({ contrast }: { contrast: ContrastView }) {
  return (
    <span className={styles.ratio}>
      {contrast.text} {contrast.grade}
    </span>
  );
}
