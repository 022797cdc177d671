/** Surround: what lies around the colors. A color looks different on each. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useRadios } from "../util/useRadios";
import { SURROUNDS, type Surround, useInterface } from "../workspace/interface";

const FIELDS: Record<Surround, { paint: string; mark: string }> = {
  white: { paint: "#FFFFFF", mark: "#000000" },
  gray: { paint: "#808080", mark: "#000000" },
  black: { paint: "#000000", mark: "#FFFFFF" },
};
const WORDS: Record<Surround, string> = { white: "white", gray: "mid-gray", black: "black" };

export function SurroundChoice() {
  const { surround, set } = useInterface();
  const { group, radio } = useRadios(SURROUNDS, surround, (chosen) => set({ surround: chosen }));
  return (
    <Flex align="center" gap="8px">
      <Text>Surround</Text>
      <Flex {...group} aria-label="Surround" border="1px solid" borderColor="fg" borderRadius="2px">
        {SURROUNDS.map((each) => (
          <Box
            as="button"
            key={each}
            {...radio(each)}
            aria-label={WORDS[each]}
            title={`Surround: ${WORDS[each]}`}
            width="24px"
            height="24px"
            position="relative"
            cursor="pointer"
            style={{ background: FIELDS[each].paint }}
          >
            {each === surround && (
              <Box
                position="absolute"
                inset="8px"
                borderRadius="50%"
                style={{ background: FIELDS[each].mark }}
              />
            )}
          </Box>
        ))}
      </Flex>
    </Flex>
  );
}
