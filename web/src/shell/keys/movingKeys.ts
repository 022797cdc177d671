/** Keys that move the selected color along lightness, chroma and hue. A held key is one gesture. */
import type { Aim } from "../../workspace/Moving";
import type { KeyBinding } from "./binding";
import type { KeyContext } from "./context";

type Change = (aim: Aim, by: number) => Partial<Aim>;
const CHROMA = 0.005;
const MOVES: [code: string, shown: string, words: string, change: Change][] = [
  ["Minus", "-", "Darker by 1", (aim, by) => ({ lightness: aim.lightness - by })],
  ["Equal", "=", "Lighter by 1", (aim, by) => ({ lightness: aim.lightness + by })],
  ["Comma", ",", "Chroma down by 0.005", (aim, by) => ({ chroma: aim.chroma - CHROMA * by })],
  ["Period", ".", "Chroma up by 0.005", (aim, by) => ({ chroma: aim.chroma + CHROMA * by })],
  ["Semicolon", ";", "Hue back by 1°", (aim, by) => ({ angle: aim.angle - by })],
  ["Quote", "'", "Hue on by 1°", (aim, by) => ({ angle: aim.angle + by })],
];

export const movingKeys = ({ workspace }: KeyContext): KeyBinding[] =>
  MOVES.map(([code, shown, words, change]) => ({
    code,
    shown,
    words: `${words}; with Shift by 10`,
    act: (event) => workspace.moving.move((aim) => change(aim, event.shiftKey ? 10 : 1)),
  }));
