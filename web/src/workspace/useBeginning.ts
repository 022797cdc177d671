/** Beginning an alternative from a release, and going there. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { client, data, problemOf } from "../api/client";

export function useBeginning(slug: string, version: string) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: async (name: string) => {
      const path = { slug, version };
      const asked = client.POST("/api/systems/{slug}/releases/{version}/alternative", {
        params: { path },
        body: { name },
      });
      try {
        return await data(asked);
      } catch (thrown) {
        throw new Error(problemOf(thrown).message);
      }
    },
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: ["alternatives"] });
      navigate(`/systems/${made.slug}/scales`);
    },
  });
}
