/** All keys of the frame, and the sheet that shows them. */

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { problemOf } from "../api/client";
import { edit } from "../api/edits";
import { stepRef } from "../api/keys";
import { STAGES } from "../stages";
import { copyText } from "../util/copy";
import { entryOfSheet, focusSoon, found } from "../util/focus";
import { goTo } from "../workspace/AddressMirror";
import { backEdit, useChosen } from "../workspace/chosen";
import { copyChosen } from "../workspace/copyChosen";
import { useNow, useWorkspace } from "../workspace/hooks";
import { SURROUNDS, useInterface } from "../workspace/interface";
import { look, useLook, VISIONS } from "../workspace/look";
import type { Aim } from "../workspace/Moving";
import { useSpecimenShown } from "../workspace/room";
import { dispatch, type KeyBinding } from "./keys";

const MODIFIERS = new Set(["Shift", "Control", "Alt", "Meta"]);
const NOT_COPIED = "The browser does not let anything be copied here. Select the value in the slip instead.";
const next = <T>(all: readonly T[], at: T): T => all[(all.indexOf(at) + 1) % all.length] as T;

export function useKeys() {
  const known = useNow();
  const { takeBack, put, tell, say, slipOf, moving: gestures } = useWorkspace();
  const { surround, singleKeys, notation, set } = useInterface();
  const specimen = useSpecimenShown();
  const [shown, setShown] = useState(false);
  const [finding, setFinding] = useState(false);
  // From the very key that opens a sheet: what follows it at once is meant for the sheet, and moves nothing.
  const covered = useRef(false);

  // The bindings stay the same, so that nothing that shows them is drawn again; they act on what is there now.
  const now = {
    // Of what is selected at this moment, though it may not have been told yet.
    slip: () => {
      const { select } = useLook.getState();
      const slip = known().slip ?? null;
      return select && slip?.key !== select ? slipOf(select).catch(() => null) : Promise.resolve(slip);
    },
    surround,
    specimen,
    notation,
    singleKeys,
  };
  const present = useRef(now);
  present.current = now;

  const bindings = useMemo<KeyBinding[]>(() => {
    const moving = (
      code: string,
      shownAs: string,
      words: string,
      change: (aim: Aim, by: number) => Partial<Aim>,
    ): KeyBinding => ({
      code,
      shown: shownAs,
      words: `${words}; with Shift by 10`,
      act: (event) => gestures.move((aim) => change(aim, event.shiftKey ? 10 : 1)),
    });
    // A step that is held is neither pinned nor put back: that is told over the sheet.
    const pin = async () => {
      const slip = await present.current.slip();
      if (slip?.kind !== "step")
        say("Only a step of a scale can be pinned: select one on the sheet of scales.");
      else if (slip.pinned)
        say(`${slip.name} is pinned already, at ${slip.hex}. Backspace takes the pin away.`);
      else {
        if (slip.movable_hue && !slip.movable_step)
          say(`${slip.name} is the hue’s own color. Pinned, it stays ${slip.hex} when the hue changes.`);
        void put(edit("pin_step", { ...stepRef(slip.key), color: slip.exact }));
      }
    };
    const back = async () => {
      const together = useChosen.getState().keys;
      if (together.length > 1) {
        void put(...together.map((key) => backEdit(key)));
        return;
      }
      const slip = await present.current.slip();
      if (slip?.kind !== "step") say("Backspace puts a pinned or nudged step back: select one.");
      else if (!slip.pinned && !slip.nudged)
        say(`${slip.name} is as it is generated: nothing is to be put back.`);
      else void put(backEdit(slip.key));
    };
    const copy = async () => {
      const chosen = present.current.notation;
      const { keys } = useChosen.getState();
      if (keys.length > 1) {
        const done = await copyChosen(useLook.getState().slug, chosen, false);
        say(done ? `${keys.length} values copied.` : NOT_COPIED);
        return;
      }
      const slip = await present.current.slip();
      if (!slip) {
        say("Select a color first: nothing is selected to be copied.");
        return;
      }
      const text = slip.notations.find((each) => each.notation === chosen)?.text ?? slip.hex;
      say((await copyText(text)) ? `${text} copied.` : NOT_COPIED);
    };
    return [
      ...STAGES.map((stage, place) => ({
        code: `Digit${place + 1}`,
        shown: `${place + 1}`,
        words: `Stage ${stage.words}`,
        shift: false,
        act: () => goTo(stage.id),
      })),
      moving("Minus", "-", "Darker by 1", (aim, by) => ({ lightness: aim.lightness - by })),
      moving("Equal", "=", "Lighter by 1", (aim, by) => ({ lightness: aim.lightness + by })),
      moving("Comma", ",", "Chroma down by 0.005", (aim, by) => ({ chroma: aim.chroma - 0.005 * by })),
      moving("Period", ".", "Chroma up by 0.005", (aim, by) => ({ chroma: aim.chroma + 0.005 * by })),
      moving("Semicolon", ";", "Hue back by 1°", (aim, by) => ({ angle: aim.angle - by })),
      moving("Quote", "'", "Hue on by 1°", (aim, by) => ({ angle: aim.angle + by })),
      { code: "KeyP", shown: "p", words: "Pin the selected step at its color", act: () => void pin() },
      {
        code: "Backspace",
        shown: "Backspace",
        words: "A pinned or nudged step: back to generated",
        act: () => void back(),
      },
      {
        code: "KeyC",
        shown: "c",
        words: "Copy what is selected in the notation chosen",
        act: () => void copy().catch((thrown) => tell({ words: problemOf(thrown).message, actions: [] })),
      },
      {
        code: "KeyG",
        shown: "g",
        words: "Keep the selected color as the ground; again to let it go",
        act: () => {
          const { ground, select } = useLook.getState();
          if (ground !== "white") {
            look({ ground: "white" });
            say("Read on white again.");
          } else if (select === null)
            say("Select a color first: it becomes the ground that others are read on.");
          else {
            look({ ground: select });
            void present.current
              .slip()
              .then((slip) =>
                say(`${slip?.name} is the ground: what you select is read on it, until g again.`),
              );
          }
        },
      },
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
        act: () => set({ surround: next(SURROUNDS, present.current.surround) }),
      },
      {
        code: "KeyS",
        shown: "s",
        words: "Fold or open the specimen",
        act: () => set({ specimen: !present.current.specimen }),
      },
      {
        code: "Slash",
        shift: false,
        shown: "/",
        words: "Find a color, a token or a stage",
        act: () => {
          covered.current = true;
          setFinding(true);
        },
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
        words: "To the open work area",
        act: () => {
          if (found("[data-testid=area]")()) focusSoon(found("[data-testid=area]"));
          else say("No work area is open here. Open one with its button above the sheet, or find it with /.");
        },
      },
      { code: "Slash", shift: true, shown: "?", words: "All keys", act: () => setShown(true) },
      {
        code: "KeyZ",
        command: true,
        shift: false,
        shown: "Ctrl Z",
        words: "Undo",
        act: () => void takeBack("undo"),
      },
      {
        code: "KeyZ",
        command: true,
        shift: true,
        shown: "Shift Ctrl Z",
        words: "Redo",
        act: () => void takeBack("redo"),
      },
    ];
  }, [gestures, put, takeBack, tell, say, set]);

  useEffect(() => {
    // What was said of the last key or click has been read by the next one.
    const read = (event: Event) => {
      if (!(event instanceof KeyboardEvent && MODIFIERS.has(event.key))) say(null);
    };
    const down = (event: KeyboardEvent) =>
      dispatch(event, bindings, present.current.singleKeys && !covered.current);
    // A held key, or a run of quick taps, is one gesture: it is kept once the key has been let go and rests.
    const up = () => void gestures.rest();
    window.addEventListener("keydown", read, { capture: true });
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    window.addEventListener("pointerdown", read, { capture: true });
    return () => {
      window.removeEventListener("keydown", read, { capture: true });
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
      window.removeEventListener("pointerdown", read, { capture: true });
    };
  }, [bindings, gestures, say]);

  const open = useCallback(() => setShown(true), []);
  const close = useCallback(() => setShown(false), []);
  const endFinding = useCallback(() => {
    covered.current = false;
    setFinding(false);
  }, []);
  return { bindings, shown, open, close, finding, endFinding };
}
