/** The work areas of a stage: the buttons that open them, and the one that is open, inside its sheet. */
import { Suspense, useContext } from "react";
import { Toggle } from "../../components/Toggle";
import { useKnown, usePart } from "../../workspace/hooks";
import { look, useLook } from "../../workspace/look";
import { areaOf, StageContext } from "../manifest";

function useStage() {
  const stage = useContext(StageContext);
  const open = useLook((at) => at.area);
  if (!stage) throw new Error("work areas stand inside their stage");
  return { stage, area: areaOf(stage, open) };
}

/** The work area that is open in this stage; one that was left open in another is none here. */
export const useOpenArea = () => useStage().area?.id ?? null;

export function AreaToggles() {
  const { stage, area } = useStage();
  const offered = usePart("head", (head) =>
    stage.areas
      .filter((each) => each.offered?.(head) ?? true)
      .map((each) => each.id)
      .join(" "),
  ).split(" ");
  const shown = stage.areas.filter((each) => each === area || offered.includes(each.id));
  return shown.map(({ id, words }) => (
    <Toggle
      key={id}
      data-area={id}
      on={id === area?.id}
      onClick={() => look({ area: id === area?.id ? null : id })}
    >
      {words}
    </Toggle>
  ));
}

/** Shown once everything is there that it needs. */
export function WorkArea() {
  const { area } = useStage();
  const ready = useKnown(({ parts }) => area?.parts.every((name) => parts && name in parts) ?? false);
  if (!area || !ready) return null;
  const Open = area.component;
  return (
    <Suspense>
      <Open key={area.id} />
    </Suspense>
  );
}
