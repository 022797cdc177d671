/** A palette: its name, its colors edge to edge, and what is to be said of it. The one that is looked at stands tall. */
import { memo } from "react";
import type { PaletteView } from "../../api/client";
import { look, useLook } from "../../workspace/look";
import styles from "./strip.module.css";

interface Props {
  palette: PaletteView;
  shown: boolean;
  /** While a work area has the sheet. */
  low?: boolean;
}

/** Above it no color has room for its name. */
const MOST_NAMED = 12;

export const PaletteRow = memo(function PaletteRow({ palette, shown, low }: Props) {
  const select = useLook((at) => at.select);
  const first = palette.colors[0]?.key;
  const entry = palette.colors.some((color) => color.key === select) ? select : first;
  const named = shown && palette.colors.length <= MOST_NAMED;
  return (
    <div className={styles.row} data-palette={palette.name} data-shown={shown || undefined}>
      <button
        type="button"
        className={styles.name}
        title={palette.name}
        tabIndex={-1}
        onClick={() => look({ select: `palette:${palette.id}` })}
      >
        <strong>{palette.name}</strong>
        <span>{palette.words}</span>
      </button>
      <div className={styles.strip} role="group" aria-label={`Colors of ${palette.name}`} data-sample>
        {palette.colors.map((color, place) => (
          <button
            type="button"
            key={color.id}
            className={styles.color}
            tabIndex={color.key === entry ? 0 : -1}
            data-key={color.key}
            data-entry={(shown && color.key === entry) || undefined}
            data-hex={color.hex}
            aria-pressed={color.key === select}
            aria-label={`${palette.name} ${place + 1}, ${color.name}, ${color.hex}, ${color.contrast} on its ground${color.category ? `, ${color.category}` : ""}${color.held ? ", held" : ""}`}
            style={{ background: color.seen, color: color.ink, height: low ? 54 : shown ? 72 : 28 }}
            onClick={() => look({ select: color.key })}
          >
            {named && (
              <span className={styles.text}>
                <span>
                  {place + 1}
                  {color.held && <span className={styles.held} style={{ background: color.ink }} />}
                </span>
                <span className={styles.spoken}>{color.name}</span>
                <span className={styles.hex}>{color.hex}</span>
              </span>
            )}
            {color.key === select && <span className={styles.selected} />}
          </button>
        ))}
      </div>
      <div className={styles.facts}>
        {(shown && !low ? palette.facts : palette.facts.slice(0, 1)).map((fact) => (
          <div key={fact}>{fact}</div>
        ))}
      </div>
    </div>
  );
});
