/** A number to type or to step by keys. What is out of range is brought to the nearest allowed value, and that is said. */
import { Input } from "@chakra-ui/react";
import { type KeyboardEvent, memo, useEffect, useRef, useState } from "react";
import { RUN_MS } from "../util/run";
import { useSteady } from "../util/useSteady";
import { FieldNote } from "./FieldNote";

interface Props {
  label: string;
  value: number;
  low: number;
  high: number;
  step: number;
  places: number;
  /** Once typing, or a run of presses, has come to its end: one change. A promise is shown as done until it is
   * answered; then what is there by now is shown, which is what it was where it was refused. */
  onCommit: (value: number) => unknown;
  /** At every step of a key that is held; then `onCancel` goes back to what was. */
  onStep?: ((value: number) => void) | undefined;
  onCancel?: (() => void) | undefined;
  unit?: string;
  /** A share from 0 to 1: 32 and 32 % are taken as 0.32. */
  share?: boolean;
  /** The most decimals that are shown of a number that has more than `places`; without it they are rounded. */
  most?: number;
  disabled?: boolean;
  width?: string;
}

/** A number with so many decimals, and further ones that it has, up to the most. */
function inFull(number: number, places: number, most: number): string {
  const [whole = "", decimals = ""] = number.toFixed(Math.max(most, places)).split(".");
  const kept = decimals.slice(0, places) + decimals.slice(places).replace(/0+$/, "");
  return kept ? `${whole}.${kept}` : whole;
}

/** A number as people type it: with a comma, and a share as it is or in percent. */
function read(text: string, share: boolean): number {
  const number = Number.parseFloat(text.replace(",", "."));
  return share && (text.includes("%") || number > 1) ? number / 100 : number;
}

const nothing = () => undefined;
/** How long something that was kept may take to be told by another question. */
const LATE_MS = 3000;

export function NumberField({ value, onCommit, onStep, onCancel = nothing, ...props }: Props) {
  const steady = {
    onCommit: useSteady(onCommit),
    onStep: useSteady(onStep ?? nothing),
    onCancel: useSteady(onCancel),
    exact: useSteady(() => value),
  };
  const shown = inFull(value, props.places, props.most ?? props.places) + (props.unit ?? "");
  return <Drawn {...props} {...steady} shown={shown} live={onStep !== undefined} />;
}

type DrawnProps = Omit<Props, "value"> &
  Required<Pick<Props, "onStep" | "onCancel">> & {
    /** The number as it is written, and as it is when it is asked for. */
    shown: string;
    exact: () => number;
    /** What is there is told at every step: once all is answered, it is what is shown. */
    live: boolean;
  };

interface Held {
  from: number;
  at: number;
}

/** A field is dear to draw: of many, only those are drawn again whose numbers have changed by what they show. */
const Drawn = memo(function DrawnField(props: DrawnProps) {
  const { label, shown, exact, low, high, step, places, unit = "", disabled, width = "62px" } = props;
  const most = Math.max(props.most ?? places, places);
  const { onCommit, onStep, onCancel, live } = props;
  const written = (number: number) => inFull(number, places, most) + unit;
  /** What is typed, while somebody types. */
  const [typed, setTyped] = useState<string | null>(null);
  /** Where held keys, or a run of quick presses, began and are. */
  const [held, setHeld] = useState<Held | null>(null);
  /** What was put and is not answered yet. It is shown until then, whatever earlier answers say: a key pressed again
   * goes on from there. */
  const [sent, setSent] = useState<number | null>(null);
  /** Answered, and what is there by now is still as it was: it is on its way by another question. */
  const [late, setLate] = useState(false);
  /** What is said of what was typed last. */
  const [said, setSaid] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const now = useRef({ typed, held, sent });
  const latest = useRef(shown);
  latest.current = shown;
  /** What was there when the last was put. */
  const came = useRef(shown);
  const resting = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const change = (next: Partial<typeof now.current>) => {
    now.current = { ...now.current, ...next };
    if ("typed" in next) setTyped(now.current.typed);
    if ("held" in next) setHeld(now.current.held);
    if ("sent" in next) setSent(now.current.sent);
  };
  const allowed = (wanted: number) => Math.min(Math.max(wanted, low), high);
  const number = () => read(now.current.typed ?? "", props.share ?? false);
  const from = () => now.current.sent ?? exact();

  const put = (wanted: number, before: number) => {
    if (Math.abs(wanted - before) < 10 ** -most / 2) return false;
    came.current = latest.current;
    change({ sent: wanted });
    setLate(false);
    const answered = (kept: unknown) => {
      if (now.current.sent !== wanted) return;
      if (live || kept === false || latest.current !== came.current) change({ sent: null });
      else setLate(true);
    };
    void Promise.resolve(onCommit(wanted)).then(answered, () => answered(false));
    return true;
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is shown by now has come, whatever it is
  useEffect(() => {
    if (!late) return;
    const come = () => {
      setLate(false);
      change({ sent: null });
    };
    if (shown !== came.current) {
      come();
      return;
    }
    const given = setTimeout(come, LATE_MS);
    return () => clearTimeout(given);
  }, [late, shown]);
  const stepBy = (by: number) => {
    clearTimeout(resting.current);
    const before = now.current.held?.at ?? from();
    const at = allowed((Number.isFinite(number()) ? number() : before) + by);
    change({ typed: null, held: { from: now.current.held?.from ?? before, at } });
    onStep(at);
  };
  /** What is to be said of a text that was typed: nothing where it is taken as it is. */
  const told = (text: string, number: number, wanted: number) => {
    if (!text.trim()) return "";
    if (!Number.isFinite(number)) return `“${text.trim()}” is no number.`;
    return wanted === number ? "" : `${number > wanted ? "At most" : "At least"} ${written(wanted)}.`;
  };
  const settle = () => {
    clearTimeout(resting.current);
    const { held: run, typed: text } = now.current;
    const wanted = text === null ? Number.NaN : allowed(number());
    if (text !== null) setSaid(told(text, number(), wanted));
    change({ held: null, typed: null });
    if (run && !put(run.at, run.from)) onCancel();
    else if (!run && Number.isFinite(wanted)) put(wanted, from());
  };
  const quiet = useSteady(() => setSaid(""));
  const leave = () => {
    clearTimeout(resting.current);
    if (now.current.held) onCancel();
    change({ held: null, typed: null });
  };
  const newest = useSteady(settle);
  // A field that goes while keys rest has been set: what it came to is kept.
  useEffect(() => () => void (now.current.held && newest()), [newest]);
  const letGo = () => {
    if (!now.current.held) return;
    clearTimeout(resting.current);
    resting.current = setTimeout(newest, RUN_MS);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 * step : step;
    if (event.key === "Enter") settle();
    else if (event.key === "ArrowUp") stepBy(by);
    else if (event.key === "ArrowDown") stepBy(-by);
    else if (event.key === "Escape" && (typed !== null || held)) leave();
    else return;
    event.preventDefault();
  };
  const at = held?.at ?? sent;
  const text = typed ?? (at === null ? shown : written(at));
  const field = (
    <Input
      ref={input}
      role="spinbutton"
      aria-label={label}
      aria-valuemin={low}
      aria-valuemax={high}
      aria-valuenow={at ?? exact()}
      aria-valuetext={text}
      size="2xs"
      height="24px"
      width={width}
      fontFamily="mono"
      fontSize="12px"
      textAlign="right"
      paddingInline="5px"
      borderColor="border"
      inputMode="decimal"
      autoComplete="off"
      disabled={disabled}
      value={text}
      onChange={(event) => {
        setSaid("");
        change({ typed: event.target.value, held: null });
      }}
      onBlur={settle}
      onKeyDown={onKeyDown}
      onKeyUp={letGo}
    />
  );
  return (
    <>
      {field}
      {said && <FieldNote key={said} beside={input} words={said} onGone={quiet} />}
    </>
  );
});
