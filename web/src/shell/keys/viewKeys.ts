/** Keys for how everything is looked at. */
import { SURROUNDS, useInterface } from "../../workspace/interface";
import { look, useLook, VISIONS } from "../../workspace/look";
import type { KeyBinding } from "./binding";
import type { KeyContext } from "./context";

const next = <T>(all: readonly T[], at: T): T => all[(all.indexOf(at) + 1) % all.length] ?? at;

export const viewKeys = ({ specimen }: KeyContext): KeyBinding[] => [
  {
    code: "KeyV",
    shown: "v",
    words: "Next vision",
    act: () => look({ vision: next(VISIONS, useLook.getState().vision) }),
  },
  {
    code: "KeyB",
    shown: "b",
    words: "Next surround",
    act: () => {
      const { surround, set } = useInterface.getState();
      set({ surround: next(SURROUNDS, surround) });
    },
  },
  {
    code: "KeyS",
    shown: "s",
    words: "Fold or open the specimen",
    act: () => useInterface.getState().set({ specimen: !specimen() }),
  },
];
