/** Reading tests of the system: two colors, a link, and how much of it was read. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { client, data, type ReadingTestView } from "../../api/client";
import { useLook } from "../../workspace/look";

/** Readers answer while this page is open. */
const AGAIN_MS = 20_000;

export function useReadingTests() {
  const slug = useLook((at) => at.slug);
  const queries = useQueryClient();
  const queryKey = ["reading-tests", slug];
  const query = useQuery({
    queryKey,
    queryFn: () => data(client.GET("/api/systems/{slug}/reading-tests", { params: { path: { slug } } })),
    refetchInterval: AGAIN_MS,
  });
  /** The test of two colors, begun if there is none. */
  const begin = async (ink: string, ground: string, px: number) => {
    const body = { ink, ground, px };
    const begun = await data(
      client.POST("/api/systems/{slug}/reading-tests", { params: { path: { slug } }, body }),
    );
    await queries.invalidateQueries({ queryKey });
    return begun;
  };
  /** Count none of its readers any more. */
  const empty = async (key: string) => {
    const path = { slug, key };
    await data(client.DELETE("/api/systems/{slug}/reading-tests/{key}/answers", { params: { path } }));
    await queries.invalidateQueries({ queryKey });
  };
  const of = (ink: string | undefined, ground: string | undefined) =>
    (query.data ?? []).filter((each) => each.ink === ink && each.ground === ground);
  return { of, begin, empty };
}

export const linkOf = (test: ReadingTestView) => `${window.location.origin}/reading/${test.key}`;

/** How much was read, in words. */
export const readWords = ({ readers, read, shown, px }: ReadingTestView) =>
  readers === 0
    ? `Reading test at ${px} px: nobody has read it yet.`
    : `Reading test at ${px} px: ${readers === 1 ? "1 reader" : `${readers} readers`} read ${read} of ${shown} figures.`;
