/** The main colors of a picture, flush; the chosen one lights its region. Each can be named and given a kind before it
 * is added. */
import type { HueKind, MainColorView, Status } from "../../../../api/client";
import { Check } from "../../../../components/Check";
import { ToolButton } from "../../../../components/ToolButton";
import { KIND_ITEMS, kindOf } from "../../kinds";
import styles from "./mainColors.module.css";

/** A color that was found, or taken again from elsewhere. */
export type Found = MainColorView & { again?: boolean };

/** What a person has said of a color before it is added. */
export interface Named {
  name?: string;
  kind?: HueKind;
  status?: Status | null;
}

interface Props {
  colors: Found[];
  chosen: number | null;
  out: ReadonlySet<number>;
  named: Record<number, Named>;
  onChoose: (place: number | null) => void;
  onOut: (place: number) => void;
  onName: (place: number, named: Named) => void;
  onLeaveOut: (color: Found) => void;
}

export function MainColors({ colors, chosen, out, named, onChoose, onOut, onName, onLeaveOut }: Props) {
  return (
    <div data-testid="main-colors">
      {colors.map((color, place) => {
        const mine = named[place] ?? {};
        const called = mine.name || color.hex;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: they have no identity but their place
          <div key={place} className={out.has(place) ? styles.out : styles.row}>
            <Check checked={!out.has(place)} aria-label={`Take ${color.hex}`} onChange={() => onOut(place)} />
            <button
              type="button"
              aria-pressed={chosen === place}
              className={styles.color}
              data-main={color.hex}
              style={{ background: color.seen, color: color.ink }}
              title={color.near ? `CIEDE2000 ${color.near.distance} from ${color.near.name}` : undefined}
              onClick={() => onChoose(chosen === place ? null : place)}
            >
              {chosen === place && <span className={styles.flag} />}
              <span>{color.text}</span>
              <span className={styles.share}>{color.again ? "taken again" : color.share}</span>
            </button>
            <input
              className={styles.name}
              value={mine.name ?? ""}
              placeholder={color.near ? `is ${color.near.name}` : "named by its color"}
              aria-label={`Name of ${color.hex}`}
              onChange={(event) => onName(place, { ...mine, name: event.target.value })}
            />
            <select
              className={styles.kind}
              value={mine.status ?? mine.kind ?? "accent"}
              aria-label={`Kind of ${called}`}
              onChange={(event) => onName(place, { ...mine, ...kindOf(event.target.value) })}
            >
              {KIND_ITEMS.map((item) => (
                <option key={item.value} value={item.value}>
                  {item.words}
                </option>
              ))}
            </select>
          </div>
        );
      })}
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
