/** Changing parts of something that is kept whole: what was changed a moment ago, and is on its way, is not taken back. */
import { useEffect, useRef } from "react";

export function useWhole<Whole extends object>(
  value: Whole,
  keep: (whole: Whole) => Promise<unknown>,
): (
  change: Partial<Whole> | ((at: Whole) => Partial<Whole>),
  otherwise?: (whole: Whole) => Promise<unknown>,
) => Promise<unknown> {
  const at = useRef(value);
  const pending = useRef(0);
  useEffect(() => {
    // What comes back while more is on its way does not know of that yet.
    if (pending.current === 0) at.current = value;
  }, [value]);
  return async (change, otherwise = keep) => {
    at.current = { ...at.current, ...(typeof change === "function" ? change(at.current) : change) };
    pending.current += 1;
    try {
      return await otherwise(at.current);
    } finally {
      pending.current -= 1;
    }
  };
}
