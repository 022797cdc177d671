/** A function that stays the same from drawing to drawing and does what the newest one does: what is drawn with it is
 * not drawn again because of it. */
import { useCallback, useRef } from "react";

export function useSteady<Given extends unknown[], Result>(
  act: (...given: Given) => Result,
): (...given: Given) => Result {
  const newest = useRef(act);
  newest.current = act;
  return useCallback((...given: Given) => newest.current(...given), []);
}
