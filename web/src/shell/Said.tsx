/** What a key or a hand has come to, for a moment, over the foot of the sheet: why nothing moves, what was copied. */
import { Box } from "@chakra-ui/react";
import { useKnown } from "../workspace/hooks";

export function Said() {
  const said = useKnown((known) => known.said);
  return (
    <Box
      role="status"
      position="absolute"
      bottom="0"
      left="0"
      maxWidth="min(720px, 100%)"
      zIndex="3"
      pointerEvents="none"
    >
      {said && (
        <Box
          bg="fg"
          color="bg"
          padding="6px 20px"
          fontSize="13px"
          lineHeight="18px"
          overflowWrap="anywhere"
          data-testid="said"
        >
          {said}
        </Box>
      )}
    </Box>
  );
}
