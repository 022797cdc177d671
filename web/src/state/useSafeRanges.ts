/** In which interval the selected color can move before a finding changes: asked for once it rests. */
import { useQuery } from "@tanstack/react-query";
import { client, data } from "../api/client";
import { useLooking } from "./looking";
import { useKnown } from "./workspace";

/** While somebody walks the sheet, nothing is asked for. */
const REST_MS = 350;

export const rest = (signal: AbortSignal) =>
  new Promise<void>((done, left) => {
    const waiting = setTimeout(done, REST_MS);
    signal.addEventListener("abort", () => {
      clearTimeout(waiting);
      left(signal.reason);
    });
  });

export function useSafeRanges() {
  const { slug, looking } = useLooking();
  const revision = useKnown(({ view }) => view?.revision);
  const select = useKnown(({ view }) => (view?.slip?.movable_hue ? view.slip.key : null));
  const theme = looking.theme ?? null;
  const query = useQuery({
    queryKey: ["safe-ranges", slug, revision, select, theme],
    queryFn: async ({ signal }) => {
      await rest(signal);
      return data(
        client.GET("/api/systems/{slug}/safe-ranges", {
          params: { path: { slug }, query: { select: select ?? "", ...(theme ? { theme } : {}) } },
          signal,
        }),
      );
    },
    enabled: select !== null,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  return query.data ?? null;
}
