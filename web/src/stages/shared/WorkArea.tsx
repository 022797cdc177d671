/** The work areas of a stage: what opens them, and the one that is open, inside its sheet. */
import { Box } from "@chakra-ui/react";
import { Fragment, Suspense, useContext } from "react";
import { ToolButton } from "../../components/ToolButton";
import { useKnown, usePart } from "../../workspace/hooks";
import { look, useLook } from "../../workspace/look";
import { type AreaManifest, areaOf, StageContext } from "../manifest";
import styles from "./openers.module.css";

function useStage() {
  const stage = useContext(StageContext);
  const open = useLook((at) => at.area);
  if (!stage) throw new Error("work areas stand inside their stage");
  return { stage, area: areaOf(stage, open) };
}

/** The work area that is open in this stage; one that was left open in another is none here. */
export const useOpenArea = () => useStage().area?.id ?? null;

/** The areas that are offered, or open, of those that a condition takes. */
function useOffered(taken: (area: AreaManifest) => boolean) {
  const { stage, area } = useStage();
  const offered = usePart("head", (head) =>
    stage.areas
      .filter((each) => each.offered?.(head) ?? true)
      .map((each) => each.id)
      .join(" "),
  ).split(" ");
  // What is come to from another area is open under that one's opener.
  const from = typeof area?.as === "object" ? area.as.from : area?.id;
  return {
    areas: stage.areas.filter((each) => taken(each) && (each.id === from || offered.includes(each.id))),
    open: from ?? null,
  };
}

const turn = (id: string, open: string | null) => look({ area: id === open ? null : id });

/** The row under a stage's title, in groups in the order of the work; the open one is joined to what is below. */
export function AreaOpeners() {
  const { areas, open } = useOffered((area) => area.as === undefined);
  return (
    <div className={styles.row} role="group" aria-label="Work areas">
      {areas.map(({ id, words, apart }, place) => (
        <Fragment key={id}>
          {apart && place > 0 && <span className={styles.apart} />}
          <button
            type="button"
            className={styles.opener}
            data-area={id}
            data-words={words}
            aria-pressed={id === open}
            onClick={() => turn(id, open)}
          >
            {words}
          </button>
        </Fragment>
      ))}
    </div>
  );
}

/** What a stage does as a whole: commands beside its title. */
export function AreaCommands() {
  const { areas, open } = useOffered((area) => area.as === "command");
  return (
    <Box display="contents">
      {areas.map(({ id, words }) => (
        <ToolButton key={id} data-area={id} aria-expanded={id === open} onClick={() => turn(id, open)}>
          {words}
        </ToolButton>
      ))}
    </Box>
  );
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
