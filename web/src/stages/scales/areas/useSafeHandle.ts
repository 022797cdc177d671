/** How far the handle that is looked at can move before a finding changes: asked for once it rests. */
import { useQuery } from "@tanstack/react-query";
import { type CurveView, client, data } from "../../../api/client";
import { useLooking } from "../../../state/looking";
import { rest } from "../../../state/useSafeRanges";
import { useView } from "../../../state/workspace";

export function useSafeHandle(
  shown: string,
  hues: string[] | null,
  handle: { curve: CurveView["name"]; at: number } | null,
) {
  const { slug, looking } = useLooking();
  const revision = useView((view) => view.revision);
  const theme = looking.theme ?? null;
  const query = useQuery({
    queryKey: ["safe-handle", slug, revision, shown, hues, handle, theme],
    queryFn: async ({ signal }) => {
      await rest(signal);
      if (!handle) return null;
      const edit = { type: "aim_curve" as const, shown, hues, ...handle, value: null };
      return data(
        client.POST("/api/systems/{slug}/safe-handle", {
          params: { path: { slug } },
          body: { edit, theme },
          signal,
        }),
      );
    },
    enabled: handle !== null,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  return query.data ?? null;
}
