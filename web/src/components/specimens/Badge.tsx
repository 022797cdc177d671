/** A badge of a status: its mark, and words on its own ground. */
import type { State } from "./data";
import styles from "./specimen.module.css";

export function Badge({ state, children }: { state: State; children: string }) {
  return (
    <span
      className={`${styles.badge} ${styles[state]}`}
      data-place="badge"
      data-colors={`status.${state}-text status.${state}-surface status.${state}`}
    >
      <span className={styles.dot} />
      {children}
    </span>
  );
}
