/** What can stand beside the specimen: another theme, another alternative, the last release. */
import { useQuery } from "@tanstack/react-query";
import { client, data, type Parts } from "../../api/client";
import type { SpecimenTheme } from "../../components/specimens/Specimen";
import { usePart } from "../../workspace/hooks";
import { useLook, useSeeing } from "../../workspace/look";
import { useAlternatives } from "../../workspace/useAlternatives";

export interface Beside {
  specimen: Parts["specimen"];
  theme: SpecimenTheme | undefined;
  name: string;
}

const RELEASE = "release:";
const ALTERNATIVE = "alternative:";

/** The specimen chosen, in the theme shown; and all that can be chosen. */
export function useBeside(
  chosen: string,
  here: Parts["specimen"] | undefined,
  shown: string | undefined,
): { items: { value: string; words: string }[]; beside: Beside | null; problem: string | null } {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const latest = usePart("head", (head) => head.latest);
  const others = useAlternatives().data?.filter((each) => !each.here) ?? [];
  const released = chosen === RELEASE;
  const alternative = others.find((each) => ALTERNATIVE + each.slug === chosen);
  const query = useQuery({
    queryKey: ["specimen", alternative?.slug ?? slug, released, seeing],
    queryFn: async () => {
      if (released)
        return data(
          client.GET("/api/systems/{slug}/released-specimen", { params: { path: { slug }, query: seeing } }),
        );
      const answer = await data(
        client.GET("/api/systems/{slug}", {
          params: { path: { slug: alternative?.slug ?? slug }, query: { ...seeing, parts: ["specimen"] } },
        }),
      );
      return answer.specimen ?? null;
    },
    enabled: released || alternative !== undefined,
    staleTime: 0,
    retry: false,
  });
  const items = [
    { value: "", words: "nothing" },
    ...(here?.themes ?? [])
      .filter((each) => each.id !== shown)
      .map(({ id, name }) => ({ value: id, words: name })),
    ...others.map((each) => ({ value: ALTERNATIVE + each.slug, words: `alternative ${each.name}` })),
    ...(latest ? [{ value: RELEASE, words: `release ${latest}` }] : []),
  ];
  const theirs = released || alternative ? query.data : here;
  const theme =
    released || alternative
      ? (theirs?.themes.find((each) => each.id === shown) ?? theirs?.themes[0])
      : theirs?.themes.find((each) => each.id === chosen);
  const name = released ? `release ${latest}` : (alternative?.name ?? theme?.name ?? "");
  return {
    items,
    beside: chosen !== "" && theirs && theme ? { specimen: theirs, theme, name } : null,
    problem: query.error?.message ?? null,
  };
}
