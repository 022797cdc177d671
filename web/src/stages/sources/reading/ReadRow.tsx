/** One line of what was read: its color touching what it is compared with, and what becomes of it. */
import type { HueKind, ReadLineView, Status } from "../../../api/client";
import { Check } from "../../../components/Check";
import { Halves } from "../../../components/Halves";
import { KIND_ITEMS, kindOf } from "../kinds";
import styles from "./row.module.css";
import { type Target, TargetSelect } from "./TargetSelect";

export type Use = "add" | "replace" | "pin";

/** What a person has changed of a line. */
export interface Changed {
  out?: boolean;
  name?: string;
  kind?: HueKind;
  status?: Status | null;
  /** Kept translucent, as a token. */
  overlay?: boolean;
  /** The id of the hue whose value it replaces, or the key of the step that it is pinned at; empty for none. */
  replaces?: string;
  pins?: string;
}

/** Where a line goes, as it is chosen now, and what stands there. */
export interface Going {
  value: string;
  words: string;
  beside: { hex: string; seen: string } | null;
  remark: string;
  targets: () => Target[];
}

interface Props {
  line: ReadLineView;
  use: Use;
  out: boolean;
  changed: Changed;
  /** Whether its place in the file stands over it already. */
  placed: boolean;
  /** Null where it is added. */
  going: Going | null;
  onChange: (change: Changed) => void;
}

const OVERLAY = "overlay";

export function ReadRow({ line, use, out, changed, placed, going, onChange }: Props) {
  const { swatch } = line;
  if (!swatch)
    return (
      <div className={styles.row}>
        <span className={styles.number}>{line.number}</span>
        <span className={styles.tick} />
        <span className={styles.none} />
        <span className={styles.words}>
          <strong>Not read.</strong> {line.problem}
        </span>
      </div>
    );
  const name = changed.name ?? line.name;
  const called = `${name || line.value}, line ${line.number}`;
  return (
    <div className={out ? styles.out : styles.row} data-read={swatch.hex}>
      <span className={styles.number} title={line.place || undefined}>
        {line.number}
      </span>
      <Check
        checked={!out}
        aria-label={`Take ${called}`}
        onChange={(event) => onChange({ out: !event.target.checked })}
      />
      {going?.beside ? (
        <Halves
          one={going.beside.seen}
          other={swatch.seen}
          words={`${going.beside.hex} beside ${swatch.hex}`}
        />
      ) : (
        <span className={styles.color} style={{ background: swatch.seen }} />
      )}
      <span className={styles.value} title={line.value}>
        {changed.overlay && line.overlay ? line.overlay.text : line.value}
      </span>
      {going ? (
        <>
          <span className={styles.said} title={name}>
            {name}
          </span>
          <TargetSelect
            label={
              use === "replace" ? `Whose value ${called} replaces` : `The step at which ${called} is pinned`
            }
            value={going.value}
            words={going.words}
            targets={going.targets}
            onChoose={(value) => onChange(use === "replace" ? { replaces: value } : { pins: value })}
          />
          <span className={styles.words}>{going.remark}</span>
        </>
      ) : (
        <Added
          line={line}
          name={name}
          called={called}
          changed={changed}
          placed={placed}
          onChange={onChange}
        />
      )}
    </div>
  );
}

interface AddedProps {
  placed: boolean;
  line: ReadLineView;
  name: string;
  called: string;
  changed: Changed;
  onChange: (change: Changed) => void;
}

function Added({ line, name, called, changed, placed, onChange }: AddedProps) {
  const own: HueKind | Status = changed.kind ? (changed.status ?? changed.kind) : (line.status ?? line.kind);
  const { overlay } = line;
  const asOverlay = overlay !== null && changed.overlay === true;
  const choose = (value: string) =>
    onChange(value === OVERLAY ? { overlay: true } : { overlay: false, ...kindOf(value) });
  return (
    <>
      <input
        className={styles.name}
        value={asOverlay ? (changed.name ?? overlay.name) : name}
        placeholder="named by its color"
        aria-label={`Name of ${line.value}, line ${line.number}`}
        onChange={(event) => onChange({ name: event.target.value })}
      />
      <select
        className={styles.kind}
        value={asOverlay ? OVERLAY : own}
        aria-label={`Kind of ${called}`}
        onChange={(event) => choose(event.target.value)}
      >
        {KIND_ITEMS.map((item) => (
          <option key={item.value} value={item.value}>
            {item.words}
          </option>
        ))}
        {overlay && <option value={OVERLAY}>overlay token</option>}
      </select>
      <span className={styles.words}>
        {asOverlay ? "kept translucent, as a token" : remarkOf(line, placed)}
      </span>
    </>
  );
}

/** What is to be said of a line: that it is not the one written, that it is there already, how often it is used. */
function remarkOf({ remark, repeat, uses, place }: ReadLineView, placed: boolean): string {
  const same = repeat && `${repeat.words}${repeat.same ? "" : `, CIEDE2000 ${repeat.distance}`}`;
  const often = uses > 1 ? `used ${uses} times` : "";
  return [remark, same, often, placed ? "" : place].filter(Boolean).join("; ");
}
