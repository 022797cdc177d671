/** A value that somebody has got hold of. It is shown from the first move on until what came of it is answered, so that
 * nothing falls back in between, and a key pressed again goes on from there. */
import { useRef, useState } from "react";
import { RUN_MS } from "./run";

/** `of` is what the value belongs to: when something else takes its place, nothing of it is held yet. */
export function useGrip<Value>(of = "") {
  const [held, setHeld] = useState<{ of: string; value: Value } | null>(null);
  const newest = useRef<Value | null>(null);
  const ended = useRef<Value | null>(null);
  const resting = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const hold = (next: Value | null) => {
    clearTimeout(resting.current);
    newest.current = next;
    ended.current = null;
    setHeld(next === null ? null : { of, value: next });
  };
  /** End the gesture once, whatever ends it: a button, a key or the focus that goes elsewhere. */
  const letGo = async (end: (last: Value) => unknown) => {
    clearTimeout(resting.current);
    const last = newest.current;
    if (last === null || ended.current === last) return;
    ended.current = last;
    await end(last);
    if (newest.current === last) hold(null);
  };
  /** A key was let go: the gesture ends unless another press follows. */
  const rest = (end: (last: Value) => unknown) => {
    clearTimeout(resting.current);
    resting.current = setTimeout(() => void letGo(end), RUN_MS);
  };
  return { value: held?.of === of ? held.value : null, hold, letGo, rest, drop: () => hold(null) };
}
