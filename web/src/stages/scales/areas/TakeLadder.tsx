/** A ladder that is tried on the sheet: take it, or go back to the one that was. */
import { ToolButton } from "../../../components/ToolButton";
import type { useLadder } from "./useLadder";

export function TakeLadder({ shaping }: { shaping: ReturnType<typeof useLadder> }) {
  return (
    <>
      <ToolButton disabled={!shaping.fits} onClick={() => void shaping.use()}>
        Use this ladder
      </ToolButton>
      <ToolButton disabled={!shaping.changed} onClick={shaping.leave}>
        As it was
      </ToolButton>
    </>
  );
}
