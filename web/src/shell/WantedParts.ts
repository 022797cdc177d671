/** Tells the workspace how the system is looked at, and which parts the shell, the stage and its work area show. */
import { useEffect, useLayoutEffect, useMemo } from "react";
import type { PartName } from "../api/client";
import { stageOf } from "../stages";
import { areaOf } from "../stages/manifest";
import { useKnown, useWorkspace } from "../workspace/hooks";
import { useInterface } from "../workspace/interface";
import { useLook } from "../workspace/look";
import { useSpecimenShown } from "./useSpecimenShown";

/** What is shown on every stage, and in the specimen. */
const SHELL: readonly PartName[] = ["head", "slip"];
const SPECIMEN: readonly PartName[] = ["specimen"];

/** What the line on the sheet of scales bounds, where nothing else was asked: the standard's level for body text. */
const STANDARD = 4.5;

/** It draws nothing, and stands beside the frame: what is to be shown is asked for while the frame is still loaded. */
export function WantedParts() {
  const workspace = useWorkspace();
  const at = useLook();
  const notation = useInterface((state) => state.notation);
  const specimen = useSpecimenShown();
  const screen = useInterface((state) => state.screen);
  const stage = stageOf(at.stage);
  const area = areaOf(stage, at.area);
  const parts = useMemo(
    () => [
      ...new Set([
        ...SHELL,
        ...stage.parts(at, screen),
        ...(area?.parts ?? []),
        ...(specimen ? SPECIMEN : []),
      ]),
    ],
    [stage, at, area, specimen, screen],
  );
  // Where nobody has chosen, what the stage is about is told of: the worst finding, the first palette; else the first hue.
  const first = useKnown(({ parts: known }) =>
    at.stage === "legibility"
      ? known?.findings?.[0]?.select
      : at.stage === "charts"
        ? known?.palettes?.[0]?.colors[0]?.key
        : null,
  );
  useLayoutEffect(() => {
    const { vision, severity, ground, theme, need } = at;
    const select = at.select ?? first ?? null;
    workspace.lookAt({ vision, severity, ground, select, theme, notation, need: need ?? STANDARD, parts });
  }, [workspace, at, first, notation, parts]);
  useEffect(() => {
    // Whether it could be loaded is told where it is shown.
    void Promise.allSettled([stage.component.load(), area?.component.load()]);
  }, [stage, area]);
  return null;
}
