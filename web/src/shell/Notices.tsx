/** What went wrong and what can be done, over the sheet; and that the database is away. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { ToolButton } from "../components/ToolButton";
import { useKnown, useWorkspace } from "../workspace/hooks";

export function Notices() {
  const notice = useKnown((known) => known.notice);
  const away = useKnown((known) => known.away);
  const { tell } = useWorkspace();
  return (
    <Box aria-live="polite" role="status">
      {away && (
        <Flex bg="fg" color="bg" padding="8px 20px" data-testid="away">
          The database is away. What you did is kept, shown here as it will be, and goes on its way when it is
          back.
        </Flex>
      )}
      {notice && (
        <Flex
          borderBottom="2px solid"
          borderColor="fg"
          padding="8px 20px"
          gap="12px"
          align="center"
          data-testid="notice"
        >
          <Text fontWeight="700" flex="1">
            {notice.words}
          </Text>
          {notice.actions.map((action) => (
            <ToolButton key={action.words} onClick={action.act}>
              {action.words}
            </ToolButton>
          ))}
          {notice.actions.length === 0 && <ToolButton onClick={() => tell(null)}>Close</ToolButton>}
        </Flex>
      )}
    </Box>
  );
}
