/** Whether a hue is held, with its scale, against change; and the way to hold it or let it go. */

import type { HueView } from "../../api/client";
import { edit } from "../../api/edits";
import { Switch } from "../../components/Switch";
import { useWorkspace } from "../../workspace/hooks";

export function Held({ hue }: { hue: HueView }) {
  const { put } = useWorkspace();
  return (
    <Switch
      on={hue.held}
      title="What is held does not change until it is let go"
      onClick={() => void put(edit("hold_hues", { hues: [hue.id], held: !hue.held }))}
    >
      {hue.held ? "Held" : "Free to change"}
    </Switch>
  );
}
