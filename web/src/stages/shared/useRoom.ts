/** How a sheet and the work area that is open in it share the room. */
import { useContext } from "react";
import { useInterface } from "../../workspace/interface";
import { useLook } from "../../workspace/look";
import { areaOf, StageContext } from "../manifest";

const LEAST = 0.2;
/** Of an area that takes a part, something of the sheet stays in sight. */
const MOST = 0.88;
/** Over it, an area that takes the sheet takes all of it but the strip. */
const TAKEN = 0.7;

export function useRoom() {
  const stage = useContext(StageContext);
  const open = useLook((at) => at.area);
  const area = stage ? areaOf(stage, open) : null;
  const id = area?.id ?? "";
  /** How much of the height the person gave it, as a share; what nobody has set is as it is usual. */
  const share = useInterface((state) => state.areaHeights[id]);
  const part = area?.room === "part";
  const put = (wanted: number | null) => {
    const { areaHeights, set } = useInterface.getState();
    const { [id]: _, ...others } = areaHeights;
    const usual = wanted === null || (!part && wanted > TAKEN);
    set({ areaHeights: { ...others, ...(usual ? {} : { [id]: Math.min(Math.max(wanted, LEAST), MOST) }) } });
  };
  return {
    stage: stage?.id,
    id,
    share,
    put,
    /** Whether it has the sheet to itself, under one strip of what it changes. */
    takes: area !== null && !part && share === undefined,
    least: LEAST,
    most: part ? MOST : TAKEN,
  };
}
