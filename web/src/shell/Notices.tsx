/** What went wrong and what can be done, over the sheet; and that the database is away. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { Tool } from "../parts/Tool";
import { useActions, useKnown } from "../state/workspace";

export function Notices() {
  const notice = useKnown((known) => known.notice);
  const away = useKnown((known) => known.away);
  const { tell } = useActions();
  return (
    <Box aria-live="polite" role="status">
      {away && (
        <Flex bg="fg" color="bg" padding="8px 20px" data-testid="away">
          The database is away. What you typed is kept, and goes on its way when it is back.
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
            <Tool key={action.words} onClick={action.act}>
              {action.words}
            </Tool>
          ))}
          {notice.actions.length === 0 && <Tool onClick={() => tell(null)}>Close</Tool>}
        </Flex>
      )}
    </Box>
  );
}
