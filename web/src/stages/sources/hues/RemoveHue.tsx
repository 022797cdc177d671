/** Removing a hue: what stands on it is said first, and what follows it is asked about. */

import { type KeyboardEvent, useState } from "react";
import type { HueView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { ToolButton } from "../../../components/ToolButton";
import { focusSoon, found } from "../../../util/focus";
import { useNow, useWorkspace } from "../../../workspace/hooks";
import { look } from "../../../workspace/look";
import { counted } from "../adding";

export function RemoveHue({ hue }: { hue: HueView }) {
  const { put } = useWorkspace();
  const [asking, setAsking] = useState(false);
  const hues = useNow();
  const remove = async (children: "detach" | "remove") => {
    const before = hues().hues ?? [];
    await put(edit("remove_hue", { hue: hue.id, children }));
    const left = hues().hues ?? [];
    if (left.some((each) => each.id === hue.id)) return;
    // The work goes on at the hue that took its place.
    const places = new Map(before.map((each, place) => [each.id, place]));
    const place = places.get(hue.id) ?? 0;
    const next = left.find((each) => (places.get(each.id) ?? 0) > place) ?? left.at(-1);
    look({ select: next?.key ?? null });
    if (next) focusSoon(found(`[data-drag="${CSS.escape(next.id)}"]`));
  };
  const ask = () => {
    setAsking(true);
    focusSoon(found("[data-keep]"));
  };
  const leave = () => {
    setAsking(false);
    focusSoon(found("[data-remove]"));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== "Escape") return;
    event.preventDefault();
    leave();
  };
  if (!asking)
    return (
      <ToolButton data-remove onClick={ask} aria-label={`Remove ${hue.name}, asking first`}>
        Remove
      </ToolButton>
    );
  const tokens = hue.tokens_on > 0 ? `; ${counted(hue.tokens_on, "token")} keep their colors` : "";
  const keep = (
    <ToolButton data-keep onClick={leave} onKeyDown={onKeyDown}>
      Keep {hue.name}
    </ToolButton>
  );
  if (!hue.goes_along)
    return (
      <>
        <ToolButton bg="fg" color="bg" onKeyDown={onKeyDown} onClick={() => void remove("detach")}>
          Remove {hue.name}
          {tokens}
        </ToolButton>
        {keep}
      </>
    );
  return (
    <>
      <ToolButton bg="fg" color="bg" onKeyDown={onKeyDown} onClick={() => void remove("detach")}>
        Remove {hue.name}
        {tokens}; what follows keeps its color: {hue.followed_by}
      </ToolButton>
      <ToolButton onKeyDown={onKeyDown} onClick={() => void remove("remove")}>
        Remove {hue.name}, {hue.goes_along}
      </ToolButton>
      {keep}
    </>
  );
}
