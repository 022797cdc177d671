/** What is chosen on the sheet beside the selected step: keys of steps and of hues, to work on them together. */
import { create } from "zustand";

interface Chosen {
  keys: readonly string[];
  choose: (keys: readonly string[]) => void;
}

const NONE: readonly string[] = [];

export const useChosen = create<Chosen>()((set) => ({
  keys: NONE,
  choose: (keys) => set({ keys: keys.length ? keys : NONE }),
}));

/** The id of the hue that a key of a hue or a step belongs to. */
export const hueOf = (key: string) => key.slice(key.indexOf(":") + 1).split("/")[0] ?? "";

/** The ids of hues that are chosen, by themselves or by one of their steps, each once. */
export const huesOf = (keys: readonly string[]) => [...new Set(keys.map(hueOf))];
