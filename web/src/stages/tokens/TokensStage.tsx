/** Tokens, built from grounds: each a band in its own color, on it the tokens that are used there, as what they are. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { TokenView } from "../../api/client";
import { edit } from "../../api/edits";
import { TextField } from "../../components/TextField";
import { ToolButton } from "../../components/ToolButton";
import { Toolbar } from "../../components/Toolbar";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { look, useLook } from "../../workspace/look";
import { AddToken } from "./AddToken";
import { GroundBand } from "./GroundBand";
import { TokenEditor } from "./TokenEditor";

export function TokensStage() {
  const tokens = usePart("tokens");
  const pairings = usePart("pairings");
  const pattern = usePart("head", (head) => head.scale_pattern);
  const theme = usePart("head", (head) => head.theme?.name ?? "none");
  const { keep } = useWorkspace();
  const select = useLook((at) => at.select);
  const [adding, setAdding] = useState(false);
  const byId = new Map(tokens.map((token) => [token.id, token]));
  const paired = new Set(pairings.flatMap((pairing) => [pairing.foreground, pairing.ground]));
  const grounds = tokens.filter((token) => pairings.some((pairing) => pairing.ground === token.id));
  const loose = tokens.filter((token) => !paired.has(token.id));
  const selected = tokens.find((token) => token.key === select);
  const home = selected && homeOf(selected, pairings, grounds);
  const editor = selected && <TokenEditor token={selected} />;
  return (
    <>
      <Toolbar title="Tokens" words={`${tokens.length} semantic, theme ${theme}`}>
        <Flex align="center" gap="8px">
          <Text fontSize="12px">Scale tokens are named</Text>
          <TextField
            label="Pattern of the scale tokens"
            hideLabel
            mono
            width="150px"
            value={pattern}
            onCommit={(wanted) => keep([edit("set_scale_pattern", { pattern: wanted })])}
          />
        </Flex>
        <ToolButton onClick={() => setAdding(!adding)} aria-expanded={adding}>
          Add token
        </ToolButton>
      </Toolbar>
      <Box flex="1" minHeight="0" overflowY="auto">
        {adding && <AddToken onDone={() => setAdding(false)} />}
        {grounds.map((ground) => (
          <Box key={ground.id}>
            <GroundBand
              ground={ground}
              pairings={pairings.filter((pairing) => pairing.ground === ground.id)}
              tokens={byId}
              selected={select ?? ""}
              onSelect={(key) => look({ select: key === select ? null : key })}
            />
            {home === ground.id && editor}
          </Box>
        ))}
        {loose.length > 0 && (
          <Box as="section" aria-label="Tokens in no pairing" padding="10px 20px 20px">
            <Text fontSize="12px" fontWeight="700" marginBottom="4px">
              In no pairing
            </Text>
            <Loose tokens={loose} selected={select ?? ""} onSelect={(key) => look({ select: key })} />
            {home === null && editor}
          </Box>
        )}
        {tokens.length === 0 && (
          <Text padding="20px">No tokens yet. Add the first one: a name for a purpose.</Text>
        )}
      </Box>
    </>
  );
}

/** The ground under whose band a token's editor opens: itself, or the first one it stands on; null for none. */
function homeOf(
  token: TokenView,
  pairings: { foreground: string; ground: string }[],
  grounds: TokenView[],
): string | null {
  if (grounds.some((ground) => ground.id === token.id)) return token.id;
  const on = pairings.find((pairing) => pairing.foreground === token.id)?.ground;
  return on ?? null;
}

function Loose({
  tokens,
  selected,
  onSelect,
}: {
  tokens: TokenView[];
  selected: string;
  onSelect: (key: string) => void;
}) {
  return (
    <Flex wrap="wrap">
      {tokens.map((token) => (
        <Box
          as="button"
          key={token.id}
          flex="1 1 110px"
          maxWidth="200px"
          minHeight="48px"
          padding="5px 8px"
          textAlign="left"
          cursor="pointer"
          aria-pressed={token.key === selected}
          data-token={token.name}
          style={{ background: token.seen, color: token.ink }}
          boxShadow={token.key === selected ? "inset 0 0 0 2px #000000, inset 0 0 0 4px #FFFFFF" : "none"}
          onClick={() => onSelect(token.key)}
        >
          <Text fontWeight="700" fontSize="12px" truncate>
            {token.name}
          </Text>
          <Text fontSize="12px" truncate>
            {token.chain}
          </Text>
        </Box>
      ))}
    </Flex>
  );
}
