/** The distances of a told-apart set, every pair under every vision. */

import { Box, Flex, Table, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { ToldApartView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { NumberField } from "../../../components/NumberField";
import { Term } from "../../../components/Term";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { VISION_WORDS } from "../../../workspace/look";
import { SeverityPlot } from "./SeverityPlot";

export function ToldApartTable({ set }: { set: ToldApartView }) {
  const { put } = useWorkspace();
  const [pointed, setPointed] = useState<number | null>(null);
  const tokens = usePart("tokens");
  const byId = new Map(tokens.map((token) => [token.id, token]));
  const visions = set.pairs[0]?.distances ?? [];
  return (
    <Box as="section" aria-label={`Told apart: ${set.name}`} marginTop="16px">
      <Flex gap="10px" align="baseline" marginBottom="4px">
        <Text fontWeight="700">
          <Term word="told apart">Told apart</Term>: {set.name}
        </Text>
        <Text color="fg.muted" fontSize="12px">
          the smallest CIEDE2000 at any severity; the set asks for
        </Text>
        <NumberField
          label={`Threshold of ${set.name}`}
          value={Number(set.threshold)}
          low={0}
          high={100}
          step={0.5}
          places={1}
          onCommit={(threshold) =>
            put(edit("keep_told_apart", { id: set.id, name: set.name, tokens: [...set.tokens], threshold }))
          }
        />
        <ToolButton onClick={() => void put(edit("remove_told_apart", { set: set.id }))}>
          Remove {set.name}
        </ToolButton>
      </Flex>
      <Flex gap="24px" wrap="wrap" marginBottom="6px">
        {visions.slice(1).map((each, place) => (
          <SeverityPlot
            key={each.vision}
            set={set}
            place={place}
            words={VISION_WORDS[each.vision as keyof typeof VISION_WORDS]}
            pointed={pointed}
          />
        ))}
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
            <Table.ColumnHeader textAlign="right" paddingBlock="3px" fontWeight="400" title="Not counted">
              L* in gray
            </Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {set.pairs.map((pair, place) => {
            const one = byId.get(pair.one);
            const other = byId.get(pair.other);
            return (
              <Table.Row
                key={pair.one + pair.other}
                bg={pointed === place ? "bg.muted" : "bg"}
                onMouseEnter={() => setPointed(place)}
                onMouseLeave={() => setPointed(null)}
              >
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
                <Table.Cell textAlign="right" paddingBlock="3px" fontFamily="mono" color="fg.muted">
                  {pair.gray}
                </Table.Cell>
              </Table.Row>
            );
          })}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}
