import type { BandView } from "../../../api/client";
import styles from "../band.module.css";
import { TokenName } from "../TokenName";
import { PickToken, type Shared } from "./PickToken";

/** Colors for data, edge to edge. */
export function Strips({ band, ...shared }: { band: BandView } & Shared) {
  return (
    <div className={styles.strips} style={{ marginTop: 8 }}>
      {band.strips.map((strip) => (
        <div key={strip.words}>
          <span className={styles.small}>chart: {strip.words}</span>
          <div className={styles.flush}>
            {strip.tokens.map((id) => {
              const token = shared.tokens.get(id);
              if (!token) return null;
              return (
                <PickToken
                  key={id}
                  token={token}
                  says={token.name}
                  className={styles.cell}
                  style={{ background: token.seen, color: token.ink }}
                  {...shared}
                >
                  <TokenName token={token} words={token.name.split(".").at(-1) ?? token.name} />
                </PickToken>
              );
            })}
          </div>
        </div>
      ))}
    </div>
  );
}
