/** A work area that waits for a selection. */
import { Text } from "@chakra-ui/react";
import { Area } from "../../shared/Area";

export function Nothing({ title, words }: { title: string; words: string }) {
  return (
    <Area title={title}>
      <Text fontSize="13px">{words}</Text>
    </Area>
  );
}
