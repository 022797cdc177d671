/** What is chosen on the sheet to be worked on together: keys of steps, the selected one among them. */
import { create } from "zustand";
import type { Edit } from "../api/client";

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

/** The id of the step in a key of a step. */
export const stepOf = (key: string) => key.split("/")[1] ?? "";

/** The ids of hues that are chosen by one of their steps, each once. */
export const huesOf = (keys: readonly string[]) => [...new Set(keys.map(hueOf))];

/** The edit that puts a step back to what is generated. */
export const backEdit = (key: string): Edit => ({
  type: "pin_step",
  hue: hueOf(key),
  step: stepOf(key),
  color: null,
});
