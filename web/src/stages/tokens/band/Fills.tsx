/** Fills, translucent ones over their ground. */
import type { RowView, TokenView } from "../../../api/client";
import styles from "../band.module.css";
import { TokenName } from "../TokenName";
import { PickToken, type Shared } from "./PickToken";

/** A color with its alpha, as it lies on what is under it. */
const painted = ({ seen, alpha }: TokenView) =>
  alpha === 1
    ? seen
    : `${seen}${Math.round(alpha * 255)
        .toString(16)
        .padStart(2, "0")}`;

export function Fills({ rows, ...shared }: { rows: RowView[] } & Shared) {
  if (rows.length === 0) return null;
  return (
    <div className={styles.flush} style={{ flexWrap: "wrap" }}>
      {rows.map((row) => {
        const token = shared.tokens.get(row.token);
        if (!token) return null;
        return (
          <PickToken
            key={row.token}
            token={token}
            className={styles.cell}
            style={{
              flexBasis: 120,
              ...(token.alpha < 1
                ? { borderLeft: `36px solid ${painted(token)}` }
                : { background: token.seen, color: token.ink }),
            }}
            {...shared}
          >
            <TokenName token={token} />
            <span className={styles.small}>{token.chain}</span>
          </PickToken>
        );
      })}
    </div>
  );
}
