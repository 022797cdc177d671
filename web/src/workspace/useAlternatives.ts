/** The alternatives of the system that is open. */
import { useQuery } from "@tanstack/react-query";
import { client, data } from "../api/client";
import { useLook } from "./look";

export function useAlternatives() {
  const slug = useLook((at) => at.slug);
  return useQuery({
    queryKey: ["alternatives", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/alternatives", { params: { path: { slug } } })),
    staleTime: 10_000,
  });
}
