/** All hues and candidates edge to edge in one strip, while a work area has the sheet. */
import { usePart } from "../../workspace/hooks";
import { look, useLook } from "../../workspace/look";
import blocks from "../shared/blocks.module.css";
import { inOrder } from "./order";
import styles from "./strip.module.css";

export function SourcesStrip() {
  const hues = usePart("hues");
  const candidates = usePart("candidates");
  const told = usePart("slip", (slip) => slip?.key);
  const select = useLook((at) => at.select) ?? told;
  if (hues.length === 0) return null;
  return (
    <div className={`${blocks.strip} ${styles.strip}`} role="group" aria-label="Hues" data-sample>
      {inOrder(hues).map((hue) => (
        <button
          type="button"
          key={hue.id}
          className={blocks.block}
          aria-pressed={hue.key === select}
          aria-label={`${hue.name} ${hue.hex}`}
          title={[`${hue.name} ${hue.hex}`, hue.follows?.words ?? hue.note].filter(Boolean).join(": ")}
          data-hue={hue.name}
          data-value={hue.hex}
          data-entry={hue.key === select || undefined}
          style={{ background: hue.seen, color: hue.ink }}
          onClick={() => look({ select: hue.key })}
        >
          <span className={blocks.name}>{hue.name}</span>
          <span className={`${blocks.figure} ${styles.value}`}>{hue.hex}</span>
          {hue.key === select && <span className={styles.chosen} style={{ background: hue.ink }} />}
        </button>
      ))}
      {candidates.map(({ id, name, hex, seen, ink }) => (
        <span
          key={id}
          className={blocks.block}
          title={`Candidate ${name} ${hex}`}
          data-candidate={hex}
          style={{ background: seen, color: ink }}
        >
          <span className={`${blocks.name} ${styles.candidate}`}>{name || "candidate"}</span>
          <span className={`${blocks.figure} ${styles.value}`}>{hex}</span>
        </span>
      ))}
    </div>
  );
}
