/** Removing a hue: what stands on it is said first, and what follows it is asked about. */

import { useQuery } from "@tanstack/react-query";
import { type KeyboardEvent, useState } from "react";
import { client, data, type HueView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { ToolButton } from "../../../components/ToolButton";
import { focusSoon, found } from "../../../util/focus";
import { useNow, usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook, useSeeing } from "../../../workspace/look";
import { counted } from "../adding";

export function RemoveHue({ hue }: { hue: HueView }) {
  const { put } = useWorkspace();
  const [asking, setAsking] = useState(false);
  const hues = useNow();
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  // Asked for once somebody is about to remove it: what each token could stand on instead.
  const standing = useQuery({
    queryKey: ["standing", slug, revision, seeing, hue.key],
    queryFn: () =>
      data(
        client.GET("/api/systems/{slug}/dependents", {
          params: { path: { slug }, query: { key: hue.key, ...seeing } },
        }),
      ),
    enabled: asking && hue.tokens_on > 0,
    retry: false,
  });
  const moves = (standing.data?.tokens ?? []).flatMap(({ token, theme, instead_value: value }) =>
    value ? [{ token, theme, value }] : [],
  );
  const names = [...new Set((standing.data?.tokens ?? []).map((row) => row.name))];
  const remove = async (children: "detach" | "remove", moved = false) => {
    const before = hues().hues ?? [];
    const first = moved
      ? [edit("set_token_values", { what: `Put tokens of ${hue.name} on the nearest steps`, values: moves })]
      : [];
    await put(...first, edit("remove_hue", { hue: hue.id, children }));
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
  const tokens =
    hue.tokens_on > 0
      ? `; ${counted(hue.tokens_on, "token")} ${hue.tokens_on === 1 ? "keeps its color" : "keep their colors"}`
      : "";
  const keep = (
    <ToolButton data-keep onClick={leave} onKeyDown={onKeyDown}>
      Keep {hue.name}
    </ToolButton>
  );
  const replaced = moves.length > 0 && (
    <ToolButton
      bg="fg"
      color="bg"
      onKeyDown={onKeyDown}
      title={names.join(", ")}
      onClick={() => void remove("detach", true)}
    >
      Remove {hue.name}; {listedNames(names)} go to the nearest steps
    </ToolButton>
  );
  if (!hue.goes_along)
    return (
      <>
        {replaced}
        <ToolButton bg="fg" color="bg" onKeyDown={onKeyDown} onClick={() => void remove("detach")}>
          Remove {hue.name}
          {tokens}
        </ToolButton>
        {keep}
      </>
    );
  return (
    <>
      {replaced}
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

/** The first names, and how many more there are. */
const listedNames = (names: string[]) =>
  names.length <= 3 ? names.join(", ") : `${names.slice(0, 2).join(", ")} and ${names.length - 2} more`;
