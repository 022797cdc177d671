/** What is asked for only once a person rests: while somebody walks the sheet, nothing is; a drag has the server alone. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { useKnown } from "./hooks";

const REST_MS = 350;

const rest = (signal: AbortSignal) =>
  new Promise<void>((done, left) => {
    const waiting = setTimeout(done, REST_MS);
    signal.addEventListener("abort", () => {
      clearTimeout(waiting);
      left(signal.reason);
    });
  });

/** The answer, once it is there; `ask` is null while there is nothing to ask. The key holds all that it depends on. */
export function useRested<Answer>(
  key: readonly unknown[],
  ask: ((signal: AbortSignal) => Promise<Answer>) | null,
): Answer | null {
  const queries = useQueryClient();
  const moving = useKnown((known) => known.moving);
  const query = useQuery({
    queryKey: key,
    queryFn: async ({ signal }) => {
      await rest(signal);
      return ask ? ask(signal) : null;
    },
    enabled: ask !== null && !moving,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  const unanswered = moving && query.isFetching;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key is made anew at every drawing
  useEffect(() => {
    if (unanswered) void queries.cancelQueries({ queryKey: key, exact: true });
  }, [unanswered]);
  return query.data ?? null;
}
