/** How much room there is, in CSS pixels; zooming takes room away. */
import { useSyncExternalStore } from "react";

const ROOMY = "(min-width: 1200px)";
const NARROW = "(max-width: 899px)";

function useMedia(query: string): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query);
      media.addEventListener("change", changed);
      return () => media.removeEventListener("change", changed);
    },
    () => window.matchMedia(query).matches,
  );
}

/** Whether the slip is one line that opens. */
export const useNarrow = () => useMedia(NARROW);

/** Whether there is room for a specimen beside the sheet. */
export const useRoomy = () => useMedia(ROOMY);
