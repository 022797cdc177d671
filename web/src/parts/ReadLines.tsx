/** What a text was understood as, line by line, before anything is made of it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { client, data, type ReadLineView, type Seeing } from "../api/client";
import { Swatch } from "./Swatch";

const SETTLE_MS = 120;

/** The lines of a text, read by the server, a moment after typing has come to rest. */
export function useReading(text: string, seeing: Seeing = {}): ReadLineView[] {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [text]);
  const query = useQuery({
    queryKey: ["reading", settled, seeing.vision, seeing.severity],
    queryFn: () =>
      data(
        client.POST("/api/reading", { body: { text: settled, vision: "typical", severity: 1, ...seeing } }),
      ),
    enabled: settled.trim() !== "",
    placeholderData: (before) => before,
    retry: 2,
  });
  return text.trim() === "" ? [] : (query.data ?? []);
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
