/** The grounds edge to edge, with what stands on each in figures, while a work area has the sheet. */
import { useMemo } from "react";
import { usePart } from "../../workspace/hooks";
import { look, useLook } from "../../workspace/look";
import blocks from "../shared/blocks.module.css";
import { holds, standing } from "./band/standing";
import styles from "./strip.module.css";

export function TokensStrip() {
  const tokens = usePart("tokens");
  const bands = usePart("bands");
  const select = useLook((at) => at.select);
  const byId = useMemo(() => new Map(tokens.map((token) => [token.id, token])), [tokens]);
  const selected = tokens.find((token) => token.key === select);
  return (
    <div className={`${blocks.strip} ${styles.strip}`} role="group" aria-label="Grounds" data-sample>
      {bands.map((band) => {
        const ground = byId.get(band.ground ?? "");
        if (!ground) return null;
        const { count, short } = standing(band);
        const here = selected !== undefined && holds(band, selected.id);
        return (
          <button
            type="button"
            key={ground.id}
            className={blocks.block}
            aria-pressed={ground.key === select}
            title={ground.name}
            style={{ background: ground.seen, color: ground.ink }}
            onClick={() => look({ select: ground.key })}
          >
            <strong className={blocks.name}>{ground.name}</strong>
            <span className={blocks.figure}>
              {count === 1 ? "1 token" : `${count} tokens`}
              {short > 0 && `, ${short} short`}
            </span>
            {here && selected.id !== ground.id && (
              <i className={styles.mark} title={selected.name} style={{ background: selected.seen }} />
            )}
          </button>
        );
      })}
    </div>
  );
}
