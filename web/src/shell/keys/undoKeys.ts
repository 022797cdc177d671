/** Undo and redo: each person's own. */
import type { KeyBinding } from "./binding";
import type { KeyContext } from "./context";

export const undoKeys = ({ workspace }: KeyContext): KeyBinding[] => [
  {
    code: "KeyZ",
    command: true,
    shift: false,
    shown: "Ctrl Z",
    words: "Undo",
    act: () => void workspace.takeBack("undo"),
  },
  {
    code: "KeyZ",
    command: true,
    shift: true,
    shown: "Shift Ctrl Z",
    words: "Redo",
    act: () => void workspace.takeBack("redo"),
  },
];
