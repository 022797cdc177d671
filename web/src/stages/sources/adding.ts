/** Putting found colors into the system: as hues at once, or as candidates that wait beside the set. */
import { useCallback } from "react";
import { type Edit, type HueKind, problemOf, type Status } from "../../api/client";
import { useActions } from "../../state/workspace";

export interface FoundColor {
  name?: string;
  kind?: HueKind;
  status?: Status | null;
  /** A text in any notation, or the exact color; none for a hue that follows another. */
  color?: unknown;
  /** What a hue follows, and how. */
  source?: unknown;
  note: string;
}

const asNew = (found: FoundColor) => ({
  name: found.name ?? "",
  kind: found.kind ?? "accent",
  status: found.status ?? null,
  ...(found.source ? { source: found.source } : { color: found.color }),
  note: found.note,
});

/** Each resolves to whether it was done; what went wrong is told over the sheet. */
export function useAdding() {
  const { keep, tell } = useActions();
  const make = useCallback(
    async (edits: unknown): Promise<boolean> => {
      try {
        return (await keep((Array.isArray(edits) ? edits : [edits]) as Edit[])) !== null;
      } catch (thrown) {
        tell({ words: problemOf(thrown).message, actions: [] });
        return false;
      }
    },
    [keep, tell],
  );
  const add = useCallback(
    (found: FoundColor[]) => make({ type: "add_hues", hues: found.map(asNew) }),
    [make],
  );
  const wait = useCallback(
    (found: FoundColor[]) => make({ type: "add_candidates", candidates: found.map(asNew) }),
    [make],
  );
  return { add, wait, make };
}

/** "1 hue", "3 hues". */
export const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? "" : "s"}`;
