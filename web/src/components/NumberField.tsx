/** A number to type or to step by keys. What is out of range is brought to the nearest allowed value, visibly. */
import { Input } from "@chakra-ui/react";
import { type KeyboardEvent, memo, useEffect, useRef, useState } from "react";
import { RUN_MS } from "../util/run";
import { useSteady } from "../util/useSteady";

interface Props {
  label: string;
  value: number;
  low: number;
  high: number;
  step: number;
  places: number;
  /** Once typing, or a key that was held, has come to its end. What answers false was refused, and does not stay. */
  onCommit: (value: number) => unknown;
  /** At every step of a key that is held; then `onCancel` goes back to what was. */
  onStep?: ((value: number) => void) | undefined;
  onCancel?: (() => void) | undefined;
  unit?: string;
  disabled?: boolean;
  width?: string;
}

const nothing = () => undefined;

export function NumberField({ value, onCommit, onStep, onCancel = nothing, ...props }: Props) {
  const steady = {
    onCommit: useSteady(onCommit),
    onStep: useSteady(onStep ?? nothing),
    onCancel: useSteady(onCancel),
    exact: useSteady(() => value),
  };
  const shown = value.toFixed(props.places) + (props.unit ?? "");
  return <Drawn {...props} {...steady} shown={shown} run={onStep ? RUN_MS : 0} />;
}

type DrawnProps = Omit<Props, "value"> &
  Required<Pick<Props, "onStep" | "onCancel">> & {
    /** The number as it is written, and as it is when it is asked for. */
    shown: string;
    exact: () => number;
    run: number;
  };

/** A field is dear to draw: of many, only those are drawn again whose numbers have changed by what they show. */
const Drawn = memo(function DrawnField(props: DrawnProps) {
  const { label, shown, exact, low, high, step, places, unit = "", disabled, width = "62px" } = props;
  const { onCommit, onStep, onCancel, run } = props;
  const written = (number: number) => number.toFixed(places) + unit;
  const latest = useRef(shown);
  latest.current = shown;
  const [text, setText] = useState(shown);
  const typing = useRef(false);
  /** Where a held key began, and where it is. */
  const stepped = useRef<{ from: number; at: number } | null>(null);
  const resting = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  /** What was put and is not answered yet: a key pressed again goes on from there. */
  const unanswered = useRef<number | null>(null);
  useEffect(() => {
    unanswered.current = null;
    if (!typing.current && !stepped.current) setText(shown);
  }, [shown]);

  const allowed = (wanted: number) => Math.min(Math.max(wanted, low), high);
  const typed = () => Number.parseFloat(text.replace(",", "."));
  const put = (wanted: number, from: number) => {
    const moved = Math.abs(wanted - from) >= 10 ** -places / 2;
    setText(written(wanted));
    if (moved) {
      unanswered.current = wanted;
      void Promise.resolve(onCommit(wanted)).then((kept) => {
        if (kept !== false || typing.current || stepped.current) return;
        unanswered.current = null;
        setText(latest.current);
      });
    }
    return moved;
  };
  const stepBy = (by: number) => {
    clearTimeout(resting.current);
    const before = stepped.current?.at ?? unanswered.current ?? exact();
    const at = allowed((typing.current && Number.isFinite(typed()) ? typed() : before) + by);
    typing.current = false;
    stepped.current = { from: stepped.current?.from ?? before, at };
    setText(written(at));
    onStep(at);
  };
  const settle = () => {
    clearTimeout(resting.current);
    const held = stepped.current;
    stepped.current = null;
    if (held) {
      if (!put(held.at, held.from)) onCancel();
    } else if (typing.current && Number.isFinite(typed()))
      put(allowed(typed()), unanswered.current ?? exact());
    else if (typing.current) setText(shown);
    typing.current = false;
  };
  const leave = () => {
    clearTimeout(resting.current);
    if (stepped.current) onCancel();
    typing.current = false;
    stepped.current = null;
    setText(shown);
  };
  const newest = useSteady(settle);
  const letGo = () => {
    if (!stepped.current) return;
    clearTimeout(resting.current);
    if (run > 0) resting.current = setTimeout(newest, run);
    else settle();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 * step : step;
    if (event.key === "Enter") settle();
    else if (event.key === "ArrowUp") stepBy(by);
    else if (event.key === "ArrowDown") stepBy(-by);
    else if (event.key === "Escape" && (typing.current || stepped.current)) leave();
    else return;
    event.preventDefault();
  };
  return (
    <Input
      aria-label={label}
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
        typing.current = true;
        setText(event.target.value);
      }}
      onBlur={settle}
      onKeyDown={onKeyDown}
      onKeyUp={letGo}
    />
  );
});
