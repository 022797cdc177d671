/** What may move so that findings are settled, in the order in which it gives way; the team can say otherwise. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { MovingView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { Choice } from "../../../components/Choice";
import { Swatch } from "../../../components/Swatch";
import { useWorkspace } from "../../../workspace/hooks";
import { look } from "../../../workspace/look";

const WAYS = [
  { value: "first", words: "first" },
  { value: "usual", words: "as usual" },
  { value: "last", words: "last" },
  { value: "never", words: "not at all" },
] as const;

export function MovingOrder({ order }: { order: MovingView[] }) {
  const { put } = useWorkspace();
  return (
    <Box as="section" aria-label="What moves first" marginTop="14px">
      <Text fontWeight="700">What moves first</Text>
      <Text fontSize="12px" color="fg.muted" marginBottom="4px">
        Of repairs that break as little, the one that moves what stands higher here is offered first: the
        team’s word, then the fewest pairings.
      </Text>
      <Box as="ol" data-testid="moving-order">
        {order.map((each) => (
          <Flex as="li" key={each.token} gap="10px" align="center" minHeight="30px" data-moving={each.name}>
            <Swatch seen={each.seen} />
            <Box
              as="button"
              cursor="pointer"
              textAlign="left"
              width="260px"
              onClick={() => look({ select: `token:${each.token}` })}
            >
              <Text truncate title={each.name}>
                {each.name}
              </Text>
            </Box>
            <Text fontSize="12px" color="fg.muted" width="90px">
              {each.pairings === 1 ? "1 pairing" : `${each.pairings} pairings`}
            </Text>
            <Choice
              label="Moves"
              of={each.name}
              value={each.moving}
              items={WAYS}
              onChoose={(moving) => put(edit("let_repairs_move", { tokens: [each.token], moving: moving }))}
            />
          </Flex>
        ))}
      </Box>
    </Box>
  );
}
