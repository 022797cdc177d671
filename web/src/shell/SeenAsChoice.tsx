/** Seen as: the vision through which the whole workspace is shown, and its severity. */

import { Box, Button, Flex, Text } from "@chakra-ui/react";
import { NumberField } from "../components/NumberField";
import { Opener } from "../components/Opener";
import { OpenMark } from "../components/OpenMark";
import { PopoverPanel } from "../components/panels";
import { useRadios } from "../util/useRadios";
import { look, useLook, VISION_WORDS, VISIONS } from "../workspace/look";

export function SeenAsChoice() {
  const vision = useLook((at) => at.vision);
  const severity = useLook((at) => at.severity);
  const words = VISION_WORDS[vision] + (vision === "typical" || severity === 1 ? "" : ` ${severity}`);
  return (
    <Opener
      opens="dialog"
      panel={(opened) => (
        <PopoverPanel {...opened} label="Seen as" placement="bottom-end" width="250px">
          <SeenAsPanel />
        </PopoverPanel>
      )}
      variant="plain"
      size="2xs"
      height="28px"
      fontSize="13px"
      fontWeight="400"
      gap="5px"
      paddingInline="4px"
    >
      Seen as{" "}
      <Text as="strong" fontWeight="700" borderBottom="1px solid">
        {words}
      </Text>
      <OpenMark />
    </Opener>
  );
}

export function SeenAsPanel() {
  const vision = useLook((at) => at.vision);
  const severity = useLook((at) => at.severity);
  const { group, radio } = useRadios(VISIONS, vision, (chosen) => look({ vision: chosen }));
  return (
    <>
      <Flex direction="column" gap="2px" {...group} aria-label="Vision">
        {VISIONS.map((each) => (
          <Button
            key={each}
            {...radio(each)}
            variant="ghost"
            size="2xs"
            height="28px"
            fontSize="13px"
            justifyContent="flex-start"
            fontWeight={each === vision ? "700" : "400"}
          >
            <Box as="span" width="10px">
              {each === vision ? "•" : ""}
            </Box>
            {VISION_WORDS[each]}
          </Button>
        ))}
      </Flex>
      <Flex align="center" gap="8px" marginTop="8px">
        <Text flex="1">Severity, 0 to 1</Text>
        <NumberField
          label="Severity"
          value={severity}
          low={0}
          high={1}
          step={0.1}
          places={1}
          onCommit={(value) => look({ severity: value })}
        />
      </Flex>
      <Text color="fg.muted" fontSize="12px" marginTop="8px">
        1 is a cone that is missing; below, one that is shifted. Tritan below 1 is an approximation.
      </Text>
    </>
  );
}
