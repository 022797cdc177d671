/** A hue as a band of its own color, edge to edge with its neighbours. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { HueView } from "../../api/client";

interface Props {
  hue: HueView;
  height: number;
  quiet: boolean;
  selected: boolean;
  dragged: boolean;
  onSelect: () => void;
  onDrag: (hue: string | null) => void;
  onDrop: () => void;
}

export function HueBand({ hue, height, quiet, selected, dragged, onSelect, onDrag, onDrop }: Props) {
  const follows = hue.follows ? `follows ${hue.follows}` : "";
  return (
    <Box
      as="button"
      display="block"
      width="100%"
      position="relative"
      textAlign="left"
      cursor="pointer"
      draggable
      aria-pressed={selected}
      aria-label={quiet ? `${hue.name} ${hue.hex}` : undefined}
      data-value={hue.hex}
      data-hue={hue.name}
      style={{ height: `${height}px`, background: hue.seen, color: hue.ink, opacity: dragged ? 0.5 : 1 }}
      _before={
        selected
          ? {
              content: '""',
              position: "absolute",
              left: "0",
              top: "0",
              bottom: "0",
              width: "6px",
              bg: "#000000",
              borderRight: "2px solid #FFFFFF",
            }
          : {}
      }
      onClick={onSelect}
      onDragStart={() => onDrag(hue.id)}
      onDragEnd={() => onDrag(null)}
      onDragOver={(event) => event.preventDefault()}
      onDrop={onDrop}
    >
      {!quiet && (
        <Flex align="center" height="100%" paddingInline="14px" gap="0">
          <Text as="span" width="160px" fontWeight="700" fontSize={height > 40 ? "14px" : "13px"} truncate>
            {hue.name}
          </Text>
          <Text
            as="span"
            flex="0 0 auto"
            minWidth="112px"
            paddingRight="16px"
            fontFamily="mono"
            fontSize="12px"
          >
            {hue.text}
          </Text>
          <Text as="span" flex="1" truncate fontSize="12px">
            {hue.status ? `${hue.status}: ` : ""}
            {hue.note}
          </Text>
          <Text as="span" fontSize="12px">
            {follows}
          </Text>
        </Flex>
      )}
    </Box>
  );
}
