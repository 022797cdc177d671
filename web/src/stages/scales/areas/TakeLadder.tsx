/** A ladder that is tried on the sheet: take it, or go back to the one that was. */
import { Tool } from "../../../parts/Tool";
import type { useLadder } from "./useLadder";

export function TakeLadder({ shaping }: { shaping: ReturnType<typeof useLadder> }) {
  return (
    <>
      <Tool disabled={!shaping.fits} onClick={() => void shaping.use()}>
        Use this ladder
      </Tool>
      <Tool disabled={!shaping.changed} onClick={shaping.leave}>
        As it was
      </Tool>
    </>
  );
}
