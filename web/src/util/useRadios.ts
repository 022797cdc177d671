/** A group of radio buttons by keys: the arrows choose the next or the one before, and Tab comes to the chosen one. */
import type { KeyboardEvent } from "react";

const NEXT: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

export function useRadios<Value>(values: readonly Value[], chosen: Value, onChoose: (value: Value) => void) {
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const by = NEXT[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const place = (values.indexOf(chosen) + by + values.length) % values.length;
    onChoose(values[place] as Value);
    event.currentTarget.querySelectorAll<HTMLElement>("[role=radio]")[place]?.focus();
  };
  const radio = (value: Value) => ({
    role: "radio",
    "aria-checked": value === chosen,
    tabIndex: value === chosen ? 0 : -1,
    onClick: () => onChoose(value),
  });
  return { group: { role: "radiogroup", onKeyDown }, radio };
}
