/** A contrast ratio in tabular figures, with its grade in words. */
import type { ContrastView } from "../api/client";
import styles from "./ratio.module.css";

/** What a narrow field has room for. */
export const SHORT_GRADES: Record<ContrastView["grade"], string> = {
  AAA: "AAA",
  AA: "AA",
  "AA large": "lg",
  fails: "fails",
};

export function Ratio({ contrast, short = false }: { contrast: ContrastView; short?: boolean }) {
  return (
    <span className={styles.ratio}>
      {contrast.text} {short ? SHORT_GRADES[contrast.grade] : contrast.grade}
    </span>
  );
}
