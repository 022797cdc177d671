/** All steps at a glance, flush, to choose one. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { usePart } from "../../workspace/hooks";

interface Props {
  chosen: string | null;
  onChoose: (hue: string, step: string) => void;
}

export function StepPicker({ chosen, onChoose }: Props) {
  const hues = usePart("hues");
  const scales = usePart("scales");
  const steps = new Map(scales.map((scale) => [scale.hue, scale.steps]));
  return (
    <Box role="group" aria-label="Steps">
      {hues.map((hue) => (
        <Flex key={hue.id} height="24px">
          <Text width="90px" truncate lineHeight="24px" fontSize="12px">
            {hue.name}
          </Text>
          {steps.get(hue.id)?.map((step) => (
            <Box
              as="button"
              key={step.id}
              flex="1"
              minWidth="24px"
              fontFamily="mono"
              fontSize="12px"
              cursor="pointer"
              aria-pressed={step.key === chosen}
              aria-label={`${hue.name} ${step.label}, ${step.hex}`}
              boxShadow={step.key === chosen ? "inset 0 0 0 2px #000000, inset 0 0 0 4px #FFFFFF" : "none"}
              style={{ background: step.seen, color: step.ink }}
              onClick={() => onChoose(hue.id, step.id)}
            >
              {step.label}
            </Box>
          ))}
        </Flex>
      ))}
    </Box>
  );
}
