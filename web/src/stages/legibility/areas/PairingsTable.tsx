/** All declared pairings with what they reach. */

import { Box, Table, Text } from "@chakra-ui/react";
import type { PairingView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { hatch } from "../../../components/hatch";
import { Ratio } from "../../../components/Ratio";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";

/** The grades are made for text; for everything else the figure stands alone. */
const TEXT: PairingView["use"][] = ["body", "large"];

export function PairingsTable() {
  const pairings = usePart("pairings");
  const tokens = usePart("tokens");
  const { put } = useWorkspace();
  const byId = new Map(tokens.map((token) => [token.id, token]));
  return (
    <Box as="section" aria-label="Pairings" marginTop="16px">
      <Table.Root size="sm" variant="line" width="auto">
        <Table.Body>
          {pairings.map((pairing) => {
            const foreground = byId.get(pairing.foreground);
            const ground = byId.get(pairing.ground);
            return (
              <Table.Row key={pairing.id} bg="bg">
                <Table.Cell padding="0">
                  <Box
                    data-sample
                    width="56px"
                    textAlign="center"
                    fontWeight="700"
                    paddingBlock="3px"
                    style={{ color: foreground?.seen, background: ground?.seen }}
                  >
                    <Sample pairing={pairing} ink={foreground?.seen ?? "transparent"} />
                  </Box>
                </Table.Cell>
                <Table.Cell paddingBlock="3px">
                  {foreground?.name} on {ground?.name}
                </Table.Cell>
                <Table.Cell paddingBlock="3px">{pairing.use_words}</Table.Cell>
                <Table.Cell paddingBlock="3px" fontWeight={pairing.holds === false ? "700" : "400"}>
                  {TEXT.includes(pairing.use) ? (
                    <Ratio contrast={pairing.contrast} />
                  ) : (
                    <Text as="span" fontFamily="mono" fontSize="12px">
                      {pairing.contrast.text}
                    </Text>
                  )}
                  {pairing.wide && (
                    <Text as="span" fontFamily="mono" fontSize="12px" color="fg.muted">
                      {" "}
                      P3 {pairing.wide}
                    </Text>
                  )}
                </Table.Cell>
                <Table.Cell paddingBlock="3px">
                  {pairing.needed === null
                    ? "exempt"
                    : `needs ${pairing.needed}${pairing.missed ? `, missed by ${pairing.missed}` : ""}`}
                </Table.Cell>
                <Table.Cell paddingBlock="0">
                  <ToolButton
                    aria-label={`Remove ${foreground?.name} on ${ground?.name}, ${pairing.use_words}`}
                    onClick={() => void put(edit("remove_pairing", { pairing: pairing.id }))}
                  >
                    Remove
                  </ToolButton>
                </Table.Cell>
              </Table.Row>
            );
          })}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}

/** The pair as what it is used for: text, or a part; hatched where it falls short. */
function Sample({ pairing, ink }: { pairing: PairingView; ink: string }) {
  if (pairing.holds === false) return <Box height="18px" style={{ background: hatch(ink) }} />;
  if (TEXT.includes(pairing.use)) return <>12 min</>;
  return <Box height="8px" margin="5px 12px" style={{ background: ink }} />;
}
