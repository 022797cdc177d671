/** Removing a hue: what stands on it is said first, and what follows it is asked about. */
import { useState } from "react";
import type { Edit, HueView } from "../../../api/client";
import { Tool } from "../../../parts/Tool";
import { useLooking } from "../../../state/looking";
import { useActions } from "../../../state/workspace";
import { counted } from "../adding";

export function RemoveHue({ hue }: { hue: HueView }) {
  const { put } = useActions();
  const { look } = useLooking();
  const [asking, setAsking] = useState(false);
  const remove = async (children: "detach" | "remove") => {
    await put({ type: "remove_hue", hue: hue.id, children } as Edit);
    look({ select: null });
  };
  if (!asking) return <Tool onClick={() => setAsking(true)}>Remove</Tool>;
  const tokens = hue.tokens_on > 0 ? `; ${counted(hue.tokens_on, "token")} keep their colors` : "";
  const keep = <Tool onClick={() => setAsking(false)}>Keep</Tool>;
  if (hue.descendants === 0)
    return (
      <>
        <Tool bg="fg" color="bg" onClick={() => void remove("detach")}>
          {tokens ? `Remove${tokens}` : "Remove it"}
        </Tool>
        {keep}
      </>
    );
  const others = hue.followers.length === 1 ? hue.followers[0] : counted(hue.descendants, "hue");
  return (
    <>
      <Tool bg="fg" color="bg" onClick={() => void remove("detach")}>
        Remove; let {others} keep {hue.followers.length === 1 ? "its color" : "their colors"}
      </Tool>
      <Tool onClick={() => void remove("remove")}>Remove {others} too</Tool>
      {keep}
    </>
  );
}
