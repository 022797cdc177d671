/** The page of the team's own: read, kept, removed. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { asItIs, client, data } from "../../api/client";

export function useOwnPage(slug: string) {
  const queries = useQueryClient();
  const path = { params: { path: { slug } } };
  const query = useQuery({
    queryKey: ["own-page", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/own-page", { ...path, parseAs: "text" })),
    retry: false,
  });
  const keep = useMutation({
    mutationFn: (markup: string | File) =>
      data(
        client.PUT("/api/systems/{slug}/own-page", {
          ...path,
          body: markup as string,
          bodySerializer: asItIs,
          headers: { "Content-Type": "text/html" },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["own-page", slug] }),
  });
  const remove = useMutation({
    mutationFn: () => data(client.DELETE("/api/systems/{slug}/own-page", path)),
    onSuccess: () => queries.resetQueries({ queryKey: ["own-page", slug] }),
  });
  return {
    text: typeof query.data === "string" ? query.data : null,
    at: query.dataUpdatedAt,
    keep,
    remove,
    error: keep.error ?? remove.error,
  };
}
