/** What changes, in one line of touching halves, while a work area has the sheet. */
import type { ComparisonView } from "../../api/client";
import styles from "./strip.module.css";

const MOST = 24;

export function ChangeStrip({ compared, title }: { compared: ComparisonView | undefined; title: string }) {
  if (!compared) return <p className={styles.words}>Reading what has changed</p>;
  const changes = compared.groups
    .flatMap((group) => group.changes)
    .filter((each) => each.before || each.after);
  return (
    <div className={styles.strip}>
      <strong className={styles.words}>{title}</strong>
      {changes.slice(0, MOST).map((change) => (
        <span
          key={`${change.before_name} ${change.after_name} ${change.theme}`}
          className={styles.pair}
          data-sample
          title={change.after_name ?? change.before_name ?? ""}
        >
          <i style={{ background: (change.before ?? change.after)?.seen }} />
          <i style={{ background: (change.after ?? change.before)?.seen }} />
        </span>
      ))}
      {changes.length > MOST && <span className={styles.words}>and {changes.length - MOST} more</span>}
    </div>
  );
}
