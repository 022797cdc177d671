/** The data of the system, and those that are drawn. */
import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { client, data } from "../../api/client";
import { usePart } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { useLook } from "../../workspace/look";

export function useData() {
  const slug = useLook((at) => at.slug);
  const queries = useQueryClient();
  const chosen = useInterface((state) => state.dataset);
  const queryKey = ["data", slug];
  const query = useQuery({
    queryKey,
    queryFn: () => data(client.GET("/api/systems/{slug}/data", { params: { path: { slug } } })),
  });
  const all = query.data ?? [];
  const shown = all.find((each) => each.id === chosen) ?? all[0];
  const again = () => queries.invalidateQueries({ queryKey });
  return { all, shown, known: query.data !== undefined, again };
}

/** What the charts of a palette are drawn from. */
export function useCharts(palette: string, number: string | null) {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const { shown, known } = useData();
  const query = useQuery({
    queryKey: ["charts", slug, shown?.id, palette, number, revision],
    queryFn: ({ signal }) =>
      data(
        client.GET("/api/systems/{slug}/data/{dataset}/charts", {
          params: { path: { slug, dataset: shown?.id ?? 0 }, query: { palette, number } },
          signal,
        }),
      ),
    enabled: shown !== undefined,
    // While an edit is on its way the charts stay; those of another palette do not stand in for it.
    placeholderData: (before) => (before?.palette === palette ? keepPreviousData(before) : undefined),
    retry: false,
  });
  return { charts: query.data, error: query.error, dataset: shown, known };
}
