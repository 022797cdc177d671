/** How far the lightness of a ladder's step can move before a finding changes: asked for once it rests. */
import { useQuery } from "@tanstack/react-query";
import { client, data } from "../../../api/client";
import { useLooking } from "../../../state/looking";
import { rest } from "../../../state/useSafeRanges";
import { useView } from "../../../state/workspace";
import { type Draft, shapedOf } from "./useLadder";

export function useSafeRung(hue: string | null, draft: Draft, step: number | null) {
  const { slug, looking } = useLooking();
  const revision = useView((view) => view.revision);
  const theme = looking.theme ?? null;
  const ladder = shapedOf(draft);
  const query = useQuery({
    queryKey: ["safe-rung", slug, revision, hue, ladder, step, theme],
    queryFn: async ({ signal }) => {
      await rest(signal);
      return data(
        client.POST("/api/systems/{slug}/safe-rung", {
          params: { path: { slug } },
          body: { hue, ladder, step: step ?? 0, theme },
          signal,
        }),
      );
    },
    enabled: step !== null,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  return query.data ?? null;
}
