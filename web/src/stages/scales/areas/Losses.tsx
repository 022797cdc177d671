/** What stands in the way of a ladder, or what would go or move with it, before anything is kept. */
import { Box, Text } from "@chakra-ui/react";

const SHOWN = 6;

export function Losses({ losses, problem }: { losses: string[]; problem: string | null }) {
  if (problem)
    return (
      <Text role="status" fontSize="12px" fontWeight="700" marginBottom="6px" data-testid="ladder-problem">
        {problem}
      </Text>
    );
  if (losses.length === 0) return null;
  return (
    <Box role="status" fontSize="12px" marginBottom="6px" data-testid="ladder-losses">
      <Text fontWeight="700">With this ladder:</Text>
      {losses.slice(0, SHOWN).map((loss) => (
        <Text key={loss}>{loss}</Text>
      ))}
      {losses.length > SHOWN && <Text>and {losses.length - SHOWN} more.</Text>}
    </Box>
  );
}
