/** In which interval the selected color can move before a finding changes: asked for once it rests. */
import { client, data } from "../api/client";
import { useLooking } from "./looking";
import { useRested } from "./useRested";
import { useKnown } from "./workspace";

export function useSafeRanges() {
  const { slug, looking } = useLooking();
  const revision = useKnown(({ view }) => view?.revision);
  const select = useKnown(({ view }) => (view?.slip?.movable_hue ? view.slip.key : null));
  const theme = looking.theme ?? null;
  const query = { select: select ?? "", ...(theme ? { theme } : {}) };
  return useRested(
    ["safe-ranges", slug, revision, select, theme],
    select === null
      ? null
      : (signal) =>
          data(client.GET("/api/systems/{slug}/safe-ranges", { params: { path: { slug }, query }, signal })),
  );
}
