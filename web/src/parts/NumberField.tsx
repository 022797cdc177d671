/** A number to type or to step by keys. What is out of range is brought to the nearest allowed value, visibly. */
import { Input } from "@chakra-ui/react";
import { type KeyboardEvent, memo, useEffect, useRef, useState } from "react";
import { useSteady } from "./useSteady";

interface Props {
  label: string;
  value: number;
  low: number;
  high: number;
  step: number;
  places: number;
  onCommit: (value: number) => void;
  unit?: string;
  disabled?: boolean;
  width?: string;
}

export function NumberField(props: Props) {
  return <Drawn {...props} onCommit={useSteady(props.onCommit)} />;
}

/** A field is dear to draw: of many, only those are drawn again whose numbers have changed. */
const Drawn = memo(function DrawnField({
  label,
  value,
  low,
  high,
  step,
  places,
  onCommit,
  unit = "",
  disabled,
  width = "62px",
}: Props) {
  const shown = value.toFixed(places) + unit;
  const [text, setText] = useState(shown);
  const typing = useRef(false);
  useEffect(() => {
    if (!typing.current) setText(shown);
  }, [shown]);

  const put = (wanted: number) => {
    const allowed = Math.min(Math.max(wanted, low), high);
    setText(allowed.toFixed(places) + unit);
    if (Math.abs(allowed - value) >= 10 ** -places / 2) onCommit(allowed);
  };
  const commit = () => {
    if (!typing.current) return;
    typing.current = false;
    const wanted = Number.parseFloat(text.replace(",", "."));
    if (Number.isFinite(wanted)) put(wanted);
    else setText(shown);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 * step : step;
    if (event.key === "Enter") commit();
    else if (event.key === "ArrowUp") put(value + by);
    else if (event.key === "ArrowDown") put(value - by);
    else if (event.key === "Escape") {
      typing.current = false;
      setText(shown);
    } else return;
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
      onBlur={commit}
      onKeyDown={onKeyDown}
    />
  );
});
