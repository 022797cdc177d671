/** Lines and icons. */
import type { RowView } from "../../../api/client";
import styles from "../band.module.css";
import { TokenName } from "../TokenName";
import { Figure } from "./Figure";
import { PickToken, type Shared } from "./PickToken";

export function Lines({ rows, ...shared }: { rows: RowView[] } & Shared) {
  if (rows.length === 0) return null;
  return (
    <div className={styles.lines}>
      {rows.map((row) => {
        const token = shared.tokens.get(row.token);
        if (!token) return null;
        const line = token.shape === "line";
        return (
          <PickToken
            key={row.token}
            token={token}
            className={line ? styles.line : styles.icon}
            style={line ? { borderColor: token.seen } : undefined}
            {...shared}
          >
            {!line && (
              <svg width="14" height="14" aria-hidden="true">
                <circle cx="7" cy="7" r="6" fill={token.seen} />
              </svg>
            )}
            <TokenName token={token} />{" "}
            <span className={styles.small}>
              <Figure row={row} ink={token.seen} />
            </span>
          </PickToken>
        );
      })}
    </div>
  );
}
