/** Texts that stand on a ground: each as it reads; those of another ground in one line. */
import type { RowView } from "../../../api/client";
import styles from "../band.module.css";
import { sampleOf } from "../samples";
import { TokenName } from "../TokenName";
import { Figure } from "./Figure";
import { PickToken, type Shared } from "./PickToken";

export function TextRow({ row, ...shared }: { row: RowView } & Shared) {
  const token = shared.tokens.get(row.token);
  if (!token) return null;
  return (
    <PickToken token={token} className={styles.row} {...shared}>
      <span
        data-sample
        className={styles.sample}
        style={{
          color: token.seen,
          fontWeight: token.shape === "strong text" ? 700 : 400,
          textDecoration: token.shape === "link" ? "underline" : "none",
        }}
      >
        {sampleOf(token.purpose)}
      </span>
      <TokenName token={token} />
      <Figure row={row} ink={token.seen} />
    </PickToken>
  );
}

/** What stands whole on another ground: in one line, with what it reads here. */
export function SharedRows({ rows, on, ...shared }: { rows: RowView[]; on: string } & Shared) {
  if (rows.length === 0) return null;
  return (
    <div className={styles.shared}>
      {rows.map((row) => {
        const token = shared.tokens.get(row.token);
        if (!token) return null;
        return (
          <PickToken key={row.token} token={token} says={`on ${on}`} {...shared}>
            <span className={styles.small} style={{ alignItems: "center", display: "inline-flex", gap: 5 }}>
              <span data-sample style={{ color: token.seen }}>
                {token.shape === "line" || token.shape === "icon" ? "● " : ""}
                <TokenName token={token} />
              </span>
              <Figure row={row} ink={token.seen} />
            </span>
          </PickToken>
        );
      })}
    </div>
  );
}
