/** Interface state that belongs to this person on this machine; what can be shared is in the address instead. */
import { create } from "zustand";
import { persist } from "zustand/middleware";
import type { Notation } from "../api/client";

export type Surround = "white" | "gray" | "black";
export type Chrome = "light" | "dark";
export type Print = "values" | "contrast" | "nothing";
export const SURROUNDS: Surround[] = ["white", "gray", "black"];
export const PRINTS: Print[] = ["values", "contrast", "nothing"];

interface Interface {
  chrome: Chrome;
  surround: Surround;
  print: Print;
  /** Null until the person has folded or opened it: then the room decides. */
  specimen: boolean | null;
  singleKeys: boolean;
  notation: Notation;
  /** The names of the grounds whose bands are folded to a line. */
  folded: readonly string[];
  /** Which specimen is drawn, and in which theme beside the sheet; null is the sheet's own. */
  screen: string;
  specimenTheme: string | null;
  /** The sets that the matrix reads against each other, and how they are ordered. */
  matrix: { rows: string; columns: string; order: "luminance" | "own" };
  /** How much of the sheet's height a work area takes, as a share, by area; those that nobody has set take what they need. */
  areaHeights: Readonly<Record<string, number>>;
  /** The stages whose line of what to do next was closed. */
  closedLines: readonly string[];
  /** Whether two colors are compared by two points of a picture. */
  pointing: boolean;
  /** The data that charts are drawn from; null is the first. */
  dataset: number | null;
  /** What charts are drawn, and which palette, or the same as designed, stands beside. */
  drawn: { shape: string; third: string; map: string; beside: string };
  set: (some: Partial<Omit<Interface, "set">>) => void;
}

/** What the system of this machine asks for, until the person has chosen. */
const dark = () => typeof matchMedia === "function" && matchMedia("(prefers-color-scheme: dark)").matches;

export const useInterface = create<Interface>()(
  persist(
    (set) => ({
      chrome: dark() ? "dark" : "light",
      surround: dark() ? "black" : "white",
      print: "values",
      specimen: null,
      singleKeys: true,
      notation: "hex",
      folded: [],
      screen: "ticket",
      specimenTheme: null,
      matrix: { rows: "texts", columns: "grounds", order: "luminance" },
      areaHeights: {},
      closedLines: [],
      pointing: false,
      dataset: null,
      drawn: { shape: "stacked", third: "points", map: "tiles", beside: "" },
      set: (some) => set(some),
    }),
    { name: "heimat", partialize: ({ set: _, ...kept }) => kept },
  ),
);
