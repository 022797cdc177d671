/** Whether a hue is held, with its scale, against change; and the way to hold it or let it go. */
import type { HueView } from "../api/client";
import { useActions } from "../state/workspace";
import { Toggle } from "./Toggle";

export function Held({ hue }: { hue: HueView }) {
  const { put } = useActions();
  return (
    <Toggle
      on={hue.held}
      title="What is held does not change until it is let go"
      onClick={() => void put({ type: "hold_hues", hues: [hue.id], held: !hue.held })}
    >
      Held
    </Toggle>
  );
}
