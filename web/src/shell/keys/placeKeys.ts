/** Keys to where the work goes on: stages, what is found, the parts of the screen. */
import { STAGES } from "../../stages";
import { entryOfEditor, entryOfSheet, entryOfStage, focusSoon, found } from "../../util/focus";
import { goTo } from "../../workspace/AddressMirror";
import { useLook } from "../../workspace/look";
import type { KeyBinding } from "./binding";
import type { KeyContext } from "./context";

export const stageKeys = (): KeyBinding[] =>
  STAGES.map((stage, place) => ({
    code: `Digit${place + 1}`,
    shown: `${place + 1}`,
    words: `Stage ${stage.words}`,
    shift: false,
    act: () => {
      goTo(stage.id);
      focusSoon(entryOfStage(stage.id));
    },
  }));

export const placeKeys = ({ workspace, showFinder, showKeys }: KeyContext): KeyBinding[] => [
  {
    code: "Slash",
    shift: false,
    shown: "/",
    words: "Find a color, a token, a place or a command",
    act: showFinder,
  },
  {
    code: "KeyL",
    shown: "l",
    words: "To the reading line",
    act: () => {
      if (useLook.getState().stage !== "sources") goTo("sources");
      focusSoon(found("#reading-line"));
    },
  },
  { code: "KeyH", shown: "h", words: "To the sheet", act: () => focusSoon(entryOfSheet) },
  {
    code: "KeyA",
    shown: "a",
    words: "To the open work area, or the editor of what is selected",
    act: () => {
      if (found("[data-testid=area]")()) focusSoon(found("[data-testid=area]"));
      else if (entryOfEditor()) focusSoon(entryOfEditor);
      else
        workspace.say(
          "No work area is open here. Open one with its button above the sheet, or find it with /.",
        );
    },
  },
  { code: "Slash", shift: true, shown: "?", words: "Help: areas, words, keys", act: showKeys },
];
