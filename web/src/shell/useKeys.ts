/** All keys of the frame, and the sheet that shows them. */

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { problemOf } from "../api/client";
import { edit } from "../api/edits";
import { stepRef } from "../api/keys";
import { STAGES } from "../stages";
import { copyText } from "../util/copy";
import { goTo } from "../workspace/AddressMirror";
import { backEdit, useChosen } from "../workspace/chosen";
import { copyChosen } from "../workspace/copyChosen";
import { useNow, useWorkspace } from "../workspace/hooks";
import { SURROUNDS, useInterface } from "../workspace/interface";
import { look, useLook, VISIONS } from "../workspace/look";
import { type Aim, useMoving } from "../workspace/moving";
import { useSpecimenShown } from "../workspace/room";
import { dispatch, type KeyBinding } from "./keys";

const next = <T>(all: readonly T[], at: T): T => all[(all.indexOf(at) + 1) % all.length] as T;

export function useKeys() {
  const known = useNow();
  const { takeBack, put, tell, slipOf } = useWorkspace();
  const { press, end } = useMoving();
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
    end,
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
      act: (event) => void press((aim) => change(aim, event.shiftKey ? 10 : 1)),
    });
    const pin = async (pinned: boolean) => {
      const together = useChosen.getState().keys;
      if (!pinned && together.length > 1) {
        void put(...together.map((key) => backEdit(key)));
        return;
      }
      const slip = await present.current.slip();
      if (slip?.kind !== "step" || (pinned ? slip.pinned : !slip.pinned && !slip.nudged)) return;
      // A step that is held cannot be pinned: that is told over the sheet.
      void put(edit("pin_step", { ...stepRef(slip.key), color: pinned ? slip.exact : null }));
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
      { code: "KeyP", shown: "p", words: "Pin the selected step at its color", act: () => void pin(true) },
      {
        code: "Backspace",
        shown: "Backspace",
        words: "A pinned or nudged step: back to generated",
        act: () => void pin(false),
      },
      {
        code: "KeyC",
        shown: "c",
        words: "Copy what is selected in the notation chosen",
        act: async () => {
          const chosen = present.current.notation;
          if (useChosen.getState().keys.length > 1) {
            copyChosen(useLook.getState().slug, chosen, false).catch((thrown) =>
              tell({ words: problemOf(thrown).message, actions: [] }),
            );
            return;
          }
          const slip = await present.current.slip();
          void copyText(slip?.notations.find((each) => each.notation === chosen)?.text ?? slip?.hex ?? "");
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
  }, [press, put, takeBack, tell, set]);

  useEffect(() => {
    const down = (event: KeyboardEvent) =>
      dispatch(event, bindings, present.current.singleKeys && !covered.current);
    // A held key is one gesture: it is kept when the key is let go.
    const up = () => void present.current.end();
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
    };
  }, [bindings]);

  const open = useCallback(() => setShown(true), []);
  const close = useCallback(() => setShown(false), []);
  const endFinding = useCallback(() => {
    covered.current = false;
    setFinding(false);
  }, []);
  return { bindings, shown, open, close, finding, endFinding };
}
