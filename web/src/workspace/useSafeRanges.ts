/** In which interval the selected color can move before a finding changes: asked for once it rests. */
import { client, data } from "../api/client";
import { useKnown } from "./hooks";
import { useLook } from "./look";
import { useRested } from "./useRested";

export function useSafeRanges() {
  const slug = useLook((at) => at.slug);
  const revision = useKnown(({ parts }) => parts?.head?.revision);
  const select = useKnown(({ parts }) => (parts?.slip?.movable_hue ? parts.slip.key : null));
  return useRested(
    ["safe-ranges", slug, revision, select],
    select === null
      ? null
      : (signal) =>
          data(
            client.GET("/api/systems/{slug}/safe-ranges", {
              params: { path: { slug }, query: { select } },
              signal,
            }),
          ),
  );
}
