/** All keys of the frame, in groups, and whether the help, or what finds things, is open. */
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useWorkspace } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { useLook } from "../../workspace/look";
import { useSpecimenShown } from "../useSpecimenShown";
import { dispatch, type KeyGroup } from "./binding";
import { colorKeys } from "./colorKeys";
import { movingKeys } from "./movingKeys";
import { placeKeys, stageKeys } from "./placeKeys";
import { undoKeys } from "./undoKeys";
import { viewKeys } from "./viewKeys";

const MODIFIERS = new Set(["Shift", "Control", "Alt", "Meta"]);

export function useKeys() {
  const workspace = useWorkspace();
  const specimen = useSpecimenShown();
  const [shown, setShown] = useState(false);
  const [finding, setFinding] = useState(false);
  // From the very key that opens a sheet: what follows it at once is meant for the sheet, and moves nothing.
  const covered = useRef(false);
  const specimenNow = useRef(specimen);
  specimenNow.current = specimen;

  const groups = useMemo<KeyGroup[]>(() => {
    const context = {
      workspace,
      slip: () => {
        const { select } = useLook.getState();
        const slip = workspace.store.getState().parts?.slip ?? null;
        return select && slip?.key !== select
          ? workspace.slipOf(select).catch(() => null)
          : Promise.resolve(slip);
      },
      specimen: () => specimenNow.current,
      showKeys: () => setShown(true),
      showFinder: () => {
        covered.current = true;
        setFinding(true);
      },
    };
    return [
      { words: "Stages", bindings: stageKeys() },
      { words: "Places", bindings: placeKeys(context) },
      { words: "Moving the selected color", bindings: movingKeys(context) },
      { words: "The selected color", bindings: colorKeys(context) },
      { words: "How it is looked at", bindings: viewKeys(context) },
      { words: "Undo", bindings: undoKeys(context) },
    ];
  }, [workspace]);
  const bindings = useMemo(() => groups.flatMap((group) => group.bindings), [groups]);

  useEffect(() => {
    const { say, moving } = workspace;
    // What was said of the last key or click has been read by the next one.
    const read = (event: Event) => {
      if (!(event instanceof KeyboardEvent && MODIFIERS.has(event.key))) say(null);
    };
    const down = (event: KeyboardEvent) =>
      dispatch(event, bindings, useInterface.getState().singleKeys && !covered.current);
    // A held key, or a run of quick taps, is one gesture: it is kept once the key has been let go and rests.
    const up = () => void moving.rest();
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
  }, [bindings, workspace]);

  const open = useCallback(() => setShown(true), []);
  const close = useCallback(() => setShown(false), []);
  const endFinding = useCallback(() => {
    covered.current = false;
    setFinding(false);
  }, []);
  return { groups, shown, open, close, finding, endFinding };
}
