/** Putting found colors into the system: as hues at once, or as candidates that wait beside the set. */
import { useCallback } from "react";
import { type Edit, type NewColor, type NewHue, problemOf } from "../../api/client";
import { edit } from "../../api/edits";
import { newId } from "../../api/ids";
import { useWorkspace } from "../../workspace/hooks";

/** A color that was found: a text in any notation or the exact color, or how it follows a hue. */
export type FoundColor = Omit<NewHue, "id"> & { note: string };

/** Each resolves to whether it was done; what went wrong is told over the sheet. */
export function useAdding() {
  const { keep, tell } = useWorkspace();
  const make = useCallback(
    async (edits: Edit[]): Promise<boolean> => {
      try {
        return (await keep(edits)) !== null;
      } catch (thrown) {
        tell({ words: problemOf(thrown).message, actions: [] });
        return false;
      }
    },
    [keep, tell],
  );
  const add = useCallback((found: FoundColor[]) => make([addingOf(found)]), [make]);
  const wait = useCallback(
    (found: FoundColor[]) => make([edit("add_candidates", { candidates: found.flatMap(asColor) })]),
    [make],
  );
  return { add, wait, make };
}

/** The edit that adds what was found, under the nearest names that are free. */
export const addingOf = (found: FoundColor[]): Edit =>
  edit("add_hues", { hues: found.map(asHue), nearest: true });

const asHue = (found: FoundColor): NewHue => ({ kind: "accent", ...found, id: newId() });

/** Only what has a color of its own can wait; what follows a hue follows it at once. */
const asColor = ({ color, source: _, ladder: __, ...found }: FoundColor): NewColor[] =>
  color ? [{ kind: "accent", ...found, color, id: newId() }] : [];

/** "1 hue", "3 hues". */
export const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? "" : "s"}`;
