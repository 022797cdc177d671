/** Letting a token of a specimen differ in one place: it is split there, and the new one is selected. */
import { edit } from "../api/edits";
import { newId } from "../api/ids";
import { tokenKey } from "../api/keys";
import { useNow, useWorkspace } from "./hooks";
import { look } from "./look";

export function useDiffer() {
  const now = useNow();
  const { put } = useWorkspace();
  return (purpose: string, place: string) => {
    const specimen = now().specimen;
    const key = specimen?.keys[purpose];
    if (!specimen || !key) return;
    const id = newId();
    const name = `${specimen.names[purpose]}-${place}`;
    const token = key.slice(key.indexOf(":") + 1);
    void put(edit("split_token", { token, id, name, place, pairings: [], aliases: [] })).then(() =>
      look({ select: tokenKey(id) }),
    );
  };
}
