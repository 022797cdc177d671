/** On which grounds the selected color must not stand, and on which it may, in words; each ground as it is. */
import { Flex, Text } from "@chakra-ui/react";
import type { StandsOnView } from "../../../api/client";
import { Swatch } from "../../../components/Swatch";
import { usePart } from "../../../workspace/hooks";

type Ground = StandsOnView["grounds"][number];

export function StandsOn() {
  const stands = usePart("stands_on");
  if (!stands) {
    return (
      <Text fontSize="12px" marginBottom="6px">
        Select a token: on which grounds it may stand, and on which it must not, is told here.
      </Text>
    );
  }
  const { name, grounds } = stands;
  return (
    <Flex direction="column" fontSize="12px" marginBottom="8px" data-testid="stands-on">
      <Line words={`${name} must not stand on`} grounds={grounds.filter((each) => !each.as_part)} />
      <Line
        words="Only as large text or as a part on"
        grounds={grounds.filter((each) => each.as_part && !each.as_text)}
      />
      <Line words="As body text on" grounds={grounds.filter((each) => each.as_text)} />
    </Flex>
  );
}

function Line({ words, grounds }: { words: string; grounds: Ground[] }) {
  return (
    <Flex gap="4px 10px" wrap="wrap" align="center" minHeight="26px">
      <Text width="210px" fontWeight="700">
        {words}
      </Text>
      {grounds.length === 0 && <Text color="fg.muted">none</Text>}
      {grounds.map((each) => (
        <Flex key={each.token} gap="5px" align="center">
          <Swatch seen={each.seen} />
          <Text>
            {each.name} <span style={{ fontVariantNumeric: "tabular-nums" }}>{each.contrast.text}</span>
          </Text>
        </Flex>
      ))}
    </Flex>
  );
}
