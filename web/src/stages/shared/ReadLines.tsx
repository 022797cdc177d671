/** What a text was understood as, line by line, before anything is made of it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import {
  asItIs,
  client,
  data,
  type Notation,
  type Problem,
  problemOf,
  type ReadingView,
  type ReadLineView,
  type Seeing,
} from "../../api/client";
import { Swatch } from "../../components/Swatch";

const SETTLE_MS = 120;

export interface Read {
  reading: ReadingView | null;
  problem: Problem | null;
  /** Whether the answer is that to what stands there now. */
  fresh: boolean;
}

/** What a text or a file is read as by the server, a moment after typing has come to rest. */
export function useReading(
  source: { text: string } | { file: File },
  seeing: Partial<Seeing> & { notation?: Notation; system?: string } = {},
  /** What the answer depends on besides: the revision of the set that lines are compared with. */
  since = 0,
): Read {
  const text = "text" in source ? source.text : null;
  const file = "file" in source ? source.file : null;
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [text]);
  const query = useQuery({
    queryKey: ["reading", settled, file?.name, file?.size, file?.lastModified, seeing, since],
    // Nobody waits for what was there before: the server lets go of it.
    queryFn: ({ signal }) =>
      data(
        client.POST("/api/reading", {
          signal,
          params: { query: { ...seeing, name: file?.name ?? "" } },
          body: (file ?? settled ?? "") as string,
          bodySerializer: asItIs,
          headers: { "Content-Type": "text/plain" },
        }),
      ),
    enabled: file !== null || (settled ?? "").trim() !== "",
    // While somebody types, the lines stay; of another file, none are shown.
    placeholderData: (before) => (file ? undefined : before),
    retry: (count, thrown) => problemOf(thrown).passing && count < 2,
  });
  const nothing = file === null && (text ?? "").trim() === "";
  return {
    reading: nothing ? null : (query.data ?? null),
    problem: query.error ? problemOf(query.error) : null,
    fresh: nothing || (settled === text && !query.isFetching && !query.isPlaceholderData),
  };
}

export function ReadLines({ lines }: { lines: ReadLineView[] }) {
  return (
    <Box aria-live="polite" data-testid="read-lines">
      {lines.map((line, place) => (
        // Lines have no identity but their place.
        // biome-ignore lint/suspicious/noArrayIndexKey: see above
        <Flex key={place} align="stretch" minHeight="26px" gap="10px">
          {line.swatch ? (
            <Swatch seen={line.swatch.seen} width="64px" height="auto" />
          ) : (
            <Box width="64px" flexShrink={0} border="1px dashed" borderColor="border.emphasized" />
          )}
          <Flex align="center" gap="10px" minWidth="0">
            {line.swatch ? (
              <>
                <Text fontFamily="mono" fontSize="12px" fontWeight="700">
                  {line.swatch.hex}
                </Text>
                <Text>{line.name || <i>named by its color</i>}</Text>
              </>
            ) : (
              <Text>
                <strong>Not read.</strong> {line.problem}
              </Text>
            )}
          </Flex>
        </Flex>
      ))}
    </Box>
  );
}
