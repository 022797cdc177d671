/** A family of actions: its states flush beside each other, and its labels and edges by name. */
import type { BandView } from "../../../api/client";
import styles from "../band.module.css";
import { TokenName } from "../TokenName";
import { Figure } from "./Figure";
import { PickToken, type Shared } from "./PickToken";

export function Family({ family, ...shared }: { family: BandView["families"][number] } & Shared) {
  const { tokens } = shared;
  return (
    <div style={{ marginBottom: 6 }}>
      <span className={styles.small}>action.{family.family}</span>
      <div className={styles.flush}>
        {family.states.map((state) => {
          const [fill, label, border] = [state.fill, state.label, state.border].map((id) =>
            tokens.get(id ?? ""),
          );
          const token = fill ?? border ?? label;
          if (!token) return null;
          return (
            <PickToken
              key={state.words}
              token={token}
              says={token.name}
              className={`${styles.cell} ${styles.edge}`}
              style={{
                background: fill?.seen ?? "transparent",
                color: fill?.ink ?? "inherit",
                borderColor: border?.seen ?? "transparent",
              }}
              {...shared}
            >
              <span className={styles.name} data-sample style={{ color: label?.seen ?? "inherit" }}>
                {state.words}
              </span>
              <Figure row={state} ink={label?.seen ?? "currentColor"} />
            </PickToken>
          );
        })}
      </div>
      <PartNames family={family} {...shared} />
    </div>
  );
}

/** Labels and edges of a family, each to be selected by itself. */
function PartNames({ family, ...shared }: { family: BandView["families"][number] } & Shared) {
  // What is drawn as a state already is not named twice.
  const drawn = new Set(family.states.map((state) => state.fill ?? state.border ?? state.label));
  const all = family.states.flatMap((state) => [state.label, state.border]);
  const ids = [...new Set(all)].filter((id) => !drawn.has(id));
  const prefix = `action.${family.family}.`;
  return (
    <div className={styles.shared}>
      {ids.map((id) => {
        const token = shared.tokens.get(id ?? "");
        if (!token) return null;
        return (
          <PickToken key={token.id} token={token} says={prefix} {...shared}>
            <TokenName token={token} words={token.name.replace(prefix, "")} />
          </PickToken>
        );
      })}
    </div>
  );
}
