/** A ground as a band of its own color, with what stands on it: live text, parts, lines. */
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import type { PairingView, TokenView } from "../../api/client";
import { hatch } from "../../components/hatch";
import { Unpublished } from "../../components/Unpublished";

interface Props {
  ground: TokenView;
  pairings: PairingView[];
  tokens: Map<string, TokenView>;
  selected: string;
  onSelect: (key: string) => void;
}

/** What stands in a token of a purpose, whatever it is called. */
const SAMPLES: Record<string, string> = {
  "text.strong": "Skarvik to Tarnsey",
  "text.plain": "Four sailings on Tuesday",
  "text.faint": "Places are held for ten minutes",
  "text.late": "12 min late",
  "text.on-brand": "Skarvik to Tarnsey",
  "link.text": "Fares and discounts",
  "action.main.label": "Book",
};

export function GroundBand({ ground, pairings, tokens, selected, onSelect }: Props) {
  const on = pairings.flatMap((pairing) => {
    const token = tokens.get(pairing.foreground);
    return token ? [{ pairing, token }] : [];
  });
  const texts = on.filter(({ pairing }) => pairing.use === "body" || pairing.use === "large");
  const parts = on.filter(({ pairing }) => pairing.use === "part" || pairing.use === "decoration");
  return (
    <Grid
      as="section"
      aria-label={`On ${ground.name}`}
      templateColumns="136px minmax(0, 1fr) minmax(0, 290px)"
      gap="20px"
      padding="10px 20px 12px"
      borderBottom="1px solid"
      borderColor="border"
      style={{ background: ground.seen, color: ground.ink }}
    >
      <Box
        as="button"
        textAlign="left"
        alignSelf="start"
        cursor="pointer"
        minHeight="36px"
        aria-pressed={ground.key === selected}
        data-token={ground.name}
        textDecoration={ground.key === selected ? "underline" : "none"}
        onClick={() => onSelect(ground.key)}
      >
        <Flex fontWeight="700" align="center" gap="5px">
          {ground.name}
          {ground.changed && <Unpublished />}
        </Flex>
        <Text fontSize="12px">is {ground.chain}</Text>
      </Box>
      <Box minWidth="0">
        {texts.map(({ pairing, token }) => (
          <TextLine
            key={pairing.id}
            pairing={pairing}
            token={token}
            selected={token.key === selected}
            onSelect={() => onSelect(token.key)}
          />
        ))}
      </Box>
      <Parts on={parts} selected={selected} onSelect={onSelect} />
    </Grid>
  );
}

interface OneProps {
  pairing: PairingView;
  token: TokenView;
  selected: boolean;
  onSelect: () => void;
}

function TextLine({ pairing, token, selected, onSelect }: OneProps) {
  return (
    <Grid
      as="button"
      width="100%"
      templateColumns="minmax(0, 1.6fr) minmax(0, 1fr) 74px"
      gap="12px"
      alignItems="center"
      textAlign="left"
      minHeight="26px"
      cursor="pointer"
      aria-pressed={selected}
      data-token={token.name}
      onClick={onSelect}
    >
      <Text
        as="span"
        data-sample
        fontSize="14px"
        truncate
        fontWeight={token.shape === "strong text" ? "700" : "400"}
        textDecoration={token.shape === "link" ? "underline" : "none"}
        style={{ color: token.seen }}
      >
        {SAMPLES[token.purpose ?? ""] ?? "Four sailings on Tuesday"}
      </Text>
      <Flex
        as="span"
        align="center"
        gap="5px"
        fontSize="12px"
        fontWeight="700"
        textDecoration={selected ? "underline" : "none"}
      >
        {token.name}
        {token.changed && <Unpublished />}
      </Flex>
      <Figure pairing={pairing} ink={token.seen} />
    </Grid>
  );
}

/** The ratio; hatched in the foreground's color where it falls short. */
function Figure({ pairing, ink }: { pairing: PairingView; ink: string }) {
  return (
    <Flex as="span" align="center" justify="flex-end" gap="6px" fontFamily="mono" fontSize="12px">
      {pairing.holds === false && (
        <Box
          as="span"
          role="img"
          aria-label={`fails: needs ${pairing.needed}`}
          title={`needs ${pairing.needed}`}
          width="24px"
          height="14px"
          style={{ background: hatch(ink) }}
        />
      )}
      {pairing.needed === null ? "exempt" : pairing.contrast.text}
    </Flex>
  );
}

function Parts({
  on,
  selected,
  onSelect,
}: {
  on: { pairing: PairingView; token: TokenView }[];
  selected: string;
  onSelect: (key: string) => void;
}) {
  if (on.length === 0) return <Box />;
  return (
    <Grid templateColumns="minmax(0, 1fr) minmax(0, 1fr)" alignContent="start" gap="0">
      {on.map(({ pairing, token }) => {
        const line = token.shape === "line";
        return (
          <Box
            as="button"
            key={pairing.id}
            textAlign="left"
            cursor="pointer"
            minHeight="38px"
            padding={line ? "4px 6px" : "4px 8px"}
            aria-pressed={token.key === selected}
            data-token={token.name}
            borderTop={line ? "2px solid" : "0"}
            boxShadow={token.key === selected ? "inset 0 0 0 2px #000000, inset 0 0 0 4px #FFFFFF" : "none"}
            style={line ? { borderColor: token.seen } : { background: token.seen, color: token.ink }}
            onClick={() => onSelect(token.key)}
          >
            <Text fontWeight="700" fontSize="12px" truncate>
              {token.name}
            </Text>
            <Flex justify="space-between" gap="6px" fontSize="12px">
              <Text as="span" truncate>
                {token.chain}
              </Text>
              <Figure pairing={pairing} ink={line ? token.seen : token.ink} />
            </Flex>
          </Box>
        );
      })}
    </Grid>
  );
}
