/** What is asked for only once a person rests: while somebody walks the sheet or drags, nothing is. */
import { useQuery } from "@tanstack/react-query";

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
  const query = useQuery({
    queryKey: key,
    queryFn: async ({ signal }) => {
      await rest(signal);
      return ask ? ask(signal) : null;
    },
    enabled: ask !== null,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  return query.data ?? null;
}
