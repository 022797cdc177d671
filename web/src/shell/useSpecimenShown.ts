/** Whether the specimen is shown: as the person said, else where there is room for it. */
import { stageOf } from "../stages";
import { areaOf } from "../stages/manifest";
import { useInterface } from "../workspace/interface";
import { useLook } from "../workspace/look";
import { useRoomy } from "../workspace/room";

export function useSpecimenShown(): boolean {
  const wanted = useInterface((state) => state.specimen);
  const roomy = useRoomy();
  // Where the sheet itself is the specimen, or another sheet stands beside it, none does; where charts are drawn on the
  // sheet, or an area takes all there is, only for who wants it.
  const whole = useLook((at) => at.stage === "tokens" && at.show === "specimen");
  const alone = useLook((at) => at.beside === null && !at.bare);
  const taken = useLook((at) => {
    const stage = stageOf(at.stage);
    return stage.draws === true || areaOf(stage, at.area)?.room === "all";
  });
  return !whole && alone && (wanted ?? (roomy && !taken));
}
