/** What someone decided to live with, on record; what has lapsed says why. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { edit } from "../../api/edits";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { readWords, useReadingTests } from "../shared/useReadingTests";

export function Exceptions() {
  const exceptions = usePart("exceptions");
  const { put } = useWorkspace();
  const { of } = useReadingTests();
  if (exceptions.length === 0) return null;
  return (
    <Box as="section" aria-label="Accepted exceptions" marginTop="16px" data-testid="exceptions">
      <Text fontWeight="700" marginBottom="4px">
        Accepted exceptions
      </Text>
      {exceptions.map((each) => (
        <Flex
          key={each.id}
          gap="10px"
          align="center"
          minHeight="36px"
          borderBottom="1px solid"
          borderColor="border"
          fontSize="12px"
        >
          <Flex flexShrink={0} data-sample>
            <Box width="20px" height="22px" style={{ background: each.colors[0] }} />
            <Box width="20px" height="22px" style={{ background: each.colors[1] }} />
          </Flex>
          <Box flex="1" minWidth="0">
            <Text>{each.sentence}</Text>
            <Text color="fg.muted">
              {each.person}, {each.on}
              {each.until && `, until ${each.until}`}: {each.reason}
              {each.evidence && ` Evidence: ${each.evidence}`}
              {of(each.colors[0], each.colors[1]).map((test) => ` ${readWords(test)}`)}
              {each.became && <strong> No longer in force: {each.became}.</strong>}
            </Text>
          </Box>
          <ToolButton
            aria-label={`End the exception: ${each.sentence}`}
            onClick={() => void put(edit("end_exception", { exception: each.id }))}
          >
            End
          </ToolButton>
        </Flex>
      ))}
    </Box>
  );
}
