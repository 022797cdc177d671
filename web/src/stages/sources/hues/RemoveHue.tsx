/** Removing a hue: what stands on it is said first, and what follows it is asked about. */

import { useState } from "react";
import type { HueView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { ToolButton } from "../../../components/ToolButton";
import { useWorkspace } from "../../../workspace/hooks";
import { look } from "../../../workspace/look";
import { counted } from "../adding";

export function RemoveHue({ hue }: { hue: HueView }) {
  const { put } = useWorkspace();
  const [asking, setAsking] = useState(false);
  const remove = async (children: "detach" | "remove") => {
    await put(edit("remove_hue", { hue: hue.id, children }));
    look({ select: null });
  };
  if (!asking)
    return (
      <ToolButton onClick={() => setAsking(true)} aria-label={`Remove ${hue.name}, asking first`}>
        Remove
      </ToolButton>
    );
  const tokens = hue.tokens_on > 0 ? `; ${counted(hue.tokens_on, "token")} keep their colors` : "";
  const keep = <ToolButton onClick={() => setAsking(false)}>Keep</ToolButton>;
  if (!hue.goes_along)
    return (
      <>
        <ToolButton bg="fg" color="bg" onClick={() => void remove("detach")}>
          Remove {hue.name}
          {tokens}
        </ToolButton>
        {keep}
      </>
    );
  return (
    <>
      <ToolButton bg="fg" color="bg" onClick={() => void remove("detach")}>
        Remove {hue.name}
        {tokens}; what follows keeps its color: {hue.followed_by}
      </ToolButton>
      <ToolButton onClick={() => void remove("remove")}>
        Remove {hue.name}, {hue.goes_along}
      </ToolButton>
      {keep}
    </>
  );
}
