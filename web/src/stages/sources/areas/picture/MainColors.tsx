/** The main colors of a picture, flush, each as tall as it needs to be read; the chosen one lights its region. */
import type { MainColorView } from "../../../../api/client";
import { Check } from "../../../../components/Check";
import { ToolButton } from "../../../../components/ToolButton";
import styles from "./mainColors.module.css";

/** A color that was found, or taken again from elsewhere. */
export type Found = MainColorView & { again?: boolean };

interface Props {
  colors: Found[];
  chosen: number | null;
  out: ReadonlySet<number>;
  onChoose: (place: number | null) => void;
  onOut: (place: number) => void;
  onLeaveOut: (color: Found) => void;
}

export function MainColors({ colors, chosen, out, onChoose, onOut, onLeaveOut }: Props) {
  return (
    <div data-testid="main-colors">
      {colors.map((color, place) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: they have no identity but their place
        <div key={place} className={out.has(place) ? styles.out : styles.row}>
          <Check checked={!out.has(place)} aria-label={`Take ${color.hex}`} onChange={() => onOut(place)} />
          <button
            type="button"
            aria-pressed={chosen === place}
            className={styles.color}
            data-main={color.hex}
            style={{ background: color.seen, color: color.ink }}
            onClick={() => onChoose(chosen === place ? null : place)}
          >
            {chosen === place && <span className={styles.flag} />}
            <span>{color.text}</span>
            <span className={styles.share}>{color.again ? "taken again" : color.share}</span>
          </button>
        </div>
      ))}
      {chosen !== null && colors[chosen] && (
        <div className={styles.tools}>
          <ToolButton onClick={() => colors[chosen] && onLeaveOut(colors[chosen])}>
            Leave this color out
          </ToolButton>
        </div>
      )}
    </div>
  );
}
