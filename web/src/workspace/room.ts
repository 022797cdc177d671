/** How much room there is, in CSS pixels; zooming takes room away. */
import { useSyncExternalStore } from "react";
import { useInterface } from "./interface";
import { useLook } from "./look";

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

/** Whether the specimen is shown: as the person said, else where there is room for it. */
export function useSpecimenShown(): boolean {
  const wanted = useInterface((state) => state.specimen);
  const roomy = useMedia(ROOMY);
  // Where the sheet itself is the specimen, or another sheet stands beside it, none does.
  const whole = useLook((at) => at.stage === "tokens" && at.show === "specimen");
  const alone = useLook((at) => at.beside === null && !at.bare);
  return !whole && alone && (wanted ?? roomy);
}
