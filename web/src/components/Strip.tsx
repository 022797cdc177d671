/** Colors edge to edge, each as wide as the others; where they can be chosen, each is a button. */
import type { SwatchView } from "../api/client";
import styles from "./strip.module.css";

interface Props {
  colors: (SwatchView & { name?: string })[];
  height: number;
  label: string;
  /** Places of the chosen ones; without `onToggle` nothing can be chosen. */
  chosen?: ReadonlySet<number>;
  onToggle?: (place: number) => void;
  /** What stands on each color, where it has the room. */
  texts?: string[];
}

export function Strip({ colors, height, label, chosen, onToggle, texts }: Props) {
  if (!onToggle) {
    return (
      <div className={styles.strip} style={{ height }} role="img" aria-label={label}>
        {colors.map((color, place) => (
          // Colors of a strip have no identity but their place.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          <span key={place} style={{ background: color.seen, color: color.ink }}>
            <span className={styles.text}>{texts?.[place]}</span>
          </span>
        ))}
      </div>
    );
  }
  return (
    <div className={styles.strip} style={{ height }} role="group" aria-label={label}>
      {colors.map((color, place) => (
        <button
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          key={place}
          type="button"
          aria-pressed={chosen?.has(place) ?? false}
          aria-label={`${color.name ?? ""} ${color.hex}`.trim()}
          data-hex={color.hex}
          className={styles.button}
          style={{ background: color.seen, color: color.ink }}
          onClick={() => onToggle(place)}
        >
          {chosen?.has(place) && <span className={styles.chosen} />}
          <span className={styles.text}>{texts?.[place]}</span>
        </button>
      ))}
    </div>
  );
}
