import type { RowView } from "../../../api/client";
import { hatch } from "../../../components/hatch";
import styles from "../band.module.css";

/** What a pairing reads; hatched in the color of what falls short. */
export function Figure({
  row,
  ink,
}: {
  row: Pick<RowView, "reads" | "holds"> & { needed?: string | null };
  ink: string;
}) {
  return (
    <span className={styles.figure}>
      {row.holds === false && (
        <span
          role="img"
          aria-label={row.needed ? `fails: needs ${row.needed}` : "fails"}
          title={row.needed ? `needs ${row.needed}` : "falls short"}
          className={styles.hatched}
          style={{ background: hatch(ink) }}
        />
      )}
      {row.reads}
    </span>
  );
}
