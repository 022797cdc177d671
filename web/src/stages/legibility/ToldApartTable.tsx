/** The distances of a told-apart set, every pair under every vision. */

import { Box, Flex, Table, Text } from "@chakra-ui/react";
import type { ToldApartView } from "../../api/client";
import { usePart } from "../../workspace/hooks";
import { VISION_WORDS } from "../../workspace/look";

export function ToldApartTable({ set }: { set: ToldApartView }) {
  const tokens = usePart("tokens");
  const byId = new Map(tokens.map((token) => [token.id, token]));
  const visions = set.pairs[0]?.distances ?? [];
  return (
    <Box as="section" aria-label={`Told apart: ${set.name}`} marginTop="16px">
      <Flex gap="10px" align="baseline" marginBottom="4px">
        <Text fontWeight="700">Told apart: {set.name}</Text>
        <Text color="fg.muted" fontSize="12px">
          the smallest CIEDE2000 at any severity; the set asks for {set.threshold}
        </Text>
      </Flex>
      <Table.Root size="sm" variant="line" width="auto">
        <Table.Header>
          <Table.Row bg="bg">
            <Table.ColumnHeader paddingBlock="3px" paddingLeft="0">
              Pair
            </Table.ColumnHeader>
            {visions.map((each) => (
              <Table.ColumnHeader key={each.vision} textAlign="right" paddingBlock="3px" fontWeight="400">
                {VISION_WORDS[each.vision as keyof typeof VISION_WORDS]}
              </Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {set.pairs.map((pair) => {
            const one = byId.get(pair.one);
            const other = byId.get(pair.other);
            return (
              <Table.Row key={pair.one + pair.other} bg="bg">
                <Table.Cell paddingBlock="3px" paddingLeft="0">
                  <Flex align="center" gap="10px">
                    <Flex>
                      <Box width="22px" height="18px" style={{ background: one?.seen }} />
                      <Box width="22px" height="18px" style={{ background: other?.seen }} />
                    </Flex>
                    {one?.name} and {other?.name}
                  </Flex>
                </Table.Cell>
                {pair.distances.map((each) => (
                  <Table.Cell
                    key={each.vision}
                    textAlign="right"
                    paddingBlock="3px"
                    fontFamily="mono"
                    fontWeight={each.holds ? "400" : "700"}
                    textDecoration={each.holds ? "none" : "underline"}
                  >
                    {each.distance}
                    {each.holds ? "" : " too close"}
                  </Table.Cell>
                ))}
              </Table.Row>
            );
          })}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}
