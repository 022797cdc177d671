/** What is chosen on the sheet to be worked on together: keys of steps, the selected one among them. */
import { create } from "zustand";
import { edit } from "../api/edits";
import { stepRef } from "../api/keys";

interface Chosen {
  keys: readonly string[];
  choose: (keys: readonly string[]) => void;
}

const NONE: readonly string[] = [];

export const useChosen = create<Chosen>()((set) => ({
  keys: NONE,
  choose: (keys) => set({ keys: keys.length ? keys : NONE }),
}));

/** The edit that puts a step back to what is generated. */
export const backEdit = (key: string) => edit("pin_step", { ...stepRef(key), color: null });
