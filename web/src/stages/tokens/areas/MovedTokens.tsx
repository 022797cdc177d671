/** Tokens before and after, edge to edge, with what they stand for then. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { MovedView } from "../../../api/client";

export function MovedTokens({ moved }: { moved: MovedView[] }) {
  return (
    <Box marginTop="4px" role="group" aria-label="Before and after">
      {moved.map((each) => (
        <Flex key={each.token} fontSize="12px" minHeight="24px" align="center" gap="10px">
          <Flex alignSelf="stretch" flexShrink={0}>
            <Box width="32px" style={{ background: each.before.seen }} />
            <Box width="32px" style={{ background: each.after.seen }} />
          </Flex>
          <Text flex="1 1 0" minWidth="0" truncate fontWeight="700">
            {each.name}
          </Text>
          <Text flex="1 1 0" minWidth="0" truncate>
            {each.words}
          </Text>
          <Text flex="0.8 1 0" minWidth="0" truncate color="fg.muted">
            {each.how}
          </Text>
        </Flex>
      ))}
    </Box>
  );
}
