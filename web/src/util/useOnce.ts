/** Work that a second click in the same moment does not begin again. */
import { useRef } from "react";

export function useOnce<Given extends unknown[]>(
  work: (...given: Given) => Promise<unknown>,
): (...given: Given) => Promise<void> {
  const going = useRef(false);
  return async (...given) => {
    if (going.current) return;
    going.current = true;
    try {
      await work(...given);
    } finally {
      going.current = false;
    }
  };
}
