/** Colors edge to edge, with their values and names where there is room. */
import { Flex, Text } from "@chakra-ui/react";

interface Props {
  colors: { hex: string; ink?: string }[];
  names?: string[];
  height: number;
}

export function Strip({ colors, names = [], height }: Props) {
  return (
    <Flex
      data-sample
      role="img"
      aria-label={colors.map((color, place) => names[place] ?? color.hex).join(", ")}
    >
      {colors.map((color, place) => (
        <Flex
          // The same color may stand in a palette twice.
          // biome-ignore lint/suspicious/noArrayIndexKey: a color has no other name here
          key={place}
          flex="1 1 0"
          minWidth="0"
          height={`${height}px`}
          direction="column"
          justify="flex-end"
          fontSize="11px"
          paddingInline="6px"
          overflow="hidden"
          style={{ background: color.hex, color: color.ink }}
        >
          {names.length > 0 && (
            <>
              <Text truncate>{names[place]}</Text>
              <Text fontFamily="mono">{color.hex}</Text>
            </>
          )}
        </Flex>
      ))}
    </Flex>
  );
}
