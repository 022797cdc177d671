/** One line of what was read: its color touching what it is compared with, and what becomes of it. */
import type { HueKind, ReadLineView, Status } from "../../../api/client";
import { Check } from "../../../components/Check";
import { Halves } from "../../../components/Halves";
import { KIND_ITEMS, kindOf } from "../kinds";
import styles from "./row.module.css";

export type Use = "add" | "replace" | "pin";

/** What a person has changed of a line. */
export interface Changed {
  out?: boolean;
  name?: string;
  kind?: HueKind;
  status?: Status | null;
}

interface Props {
  line: ReadLineView;
  use: Use;
  out: boolean;
  changed: Changed;
  onChange: (change: Changed) => void;
}

export function ReadRow({ line, use, out, changed, onChange }: Props) {
  const { swatch } = line;
  if (!swatch)
    return (
      <div className={styles.row}>
        <span className={styles.number}>{line.number}</span>
        <span className={styles.none} />
        <span className={styles.words}>
          <strong>Not read.</strong> {line.problem}
        </span>
      </div>
    );
  const name = changed.name ?? line.name;
  const beside = use === "replace" ? line.replaces : use === "pin" ? line.fit?.generated : null;
  const called = name || line.value;
  return (
    <div className={out ? styles.out : styles.row} data-read={swatch.hex}>
      <Check
        checked={!out}
        aria-label={`Take ${called}`}
        onChange={(event) => onChange({ out: !event.target.checked })}
      />
      {beside ? (
        <Halves one={beside.seen} other={swatch.seen} words={`${beside.hex} beside ${swatch.hex}`} />
      ) : (
        <span className={styles.color} style={{ background: swatch.seen }} />
      )}
      <span className={styles.value} title={line.value}>
        {line.value}
      </span>
      {use === "add" && <Added line={line} name={name} changed={changed} onChange={onChange} />}
      {use === "replace" && (
        <span className={styles.words}>
          {line.replaces
            ? `${line.replaces.name}, ${line.replaces.hex} until now, matched by ${line.replaces.by}`
            : "no hue is left for it"}
        </span>
      )}
      {use === "pin" && (
        <span className={styles.words}>
          {line.fit
            ? `${line.fit.hue_name} ${line.fit.label}, CIEDE2000 ${line.fit.distance} from the generated ${line.fit.generated.hex}`
            : "no step is left for it"}
        </span>
      )}
    </div>
  );
}

function Added({ line, name, changed, onChange }: Omit<Props, "use" | "out"> & { name: string }) {
  const kind: HueKind | Status = changed.kind ? (changed.status ?? changed.kind) : (line.status ?? line.kind);
  return (
    <>
      <input
        className={styles.name}
        value={name}
        placeholder="named by its color"
        aria-label={`Name of ${line.value}`}
        onChange={(event) => onChange({ name: event.target.value })}
      />
      <select
        className={styles.kind}
        value={kind}
        aria-label={`Kind of ${name || line.value}`}
        onChange={(event) => onChange(kindOf(event.target.value))}
      >
        {KIND_ITEMS.map((item) => (
          <option key={item.value} value={item.value}>
            {item.words}
          </option>
        ))}
      </select>
      <span className={styles.words}>
        {line.remark ? `${line.remark}${line.repeat ? "; " : ""}` : ""}
        {line.repeat
          ? `${line.repeat.words}${line.repeat.same ? "" : `, CIEDE2000 ${line.repeat.distance}`}`
          : line.text.startsWith("used ")
            ? line.text
            : ""}
      </span>
    </>
  );
}
