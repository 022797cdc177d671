/** How even a palette over numbers is: the difference of every two neighbors along it, one plot a vision, and its lightness. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { PaletteView } from "../../api/client";
import { usePart } from "../../workspace/hooks";
import { VISION_WORDS } from "../../workspace/look";
import { Steps } from "./marks/Steps";

export function EvenSteps({ palette }: { palette: PaletteView }) {
  const detail = usePart("palette_detail");
  if (!detail || detail.palette !== palette.id || detail.steps.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="How even"
      marginTop="12px"
      borderTop="1px solid"
      borderColor="border"
      paddingTop="6px"
    >
      <Flex gap="12px" align="baseline" marginBottom="4px">
        <Text fontWeight="700">How even</Text>
        <Text fontSize="12px" color="fg.muted">
          from each color to the next, CAM02-UCS; the line is their mean
        </Text>
      </Flex>
      {detail.steps.map((each) => (
        <Flex key={each.vision} align="center" gap="12px" minHeight="30px" data-vision={each.vision}>
          <Text width="60px" fontSize="12px">
            {VISION_WORDS[each.vision as keyof typeof VISION_WORDS]}
          </Text>
          <Box flex="1" minWidth="0">
            <Steps steps={each.steps} most={detail.most} />
          </Box>
          <Text width="170px" fontSize="12px">
            varies by <strong>{each.varies}</strong>, least {each.least}
          </Text>
        </Flex>
      ))}
      <Flex align="center" gap="12px" minHeight="30px">
        <Text width="60px" fontSize="12px">
          L*
        </Text>
        <Box flex="1" minWidth="0">
          <Steps steps={detail.light} most={100} />
        </Box>
        <Text width="170px" fontSize="12px">
          {detail.light[0]?.toFixed(0)} to {detail.light.at(-1)?.toFixed(0)}
        </Text>
      </Flex>
    </Box>
  );
}
