/** The steps of a scale that are pinned or nudged: each beside what would be generated in its place. */

import { Flex, Text } from "@chakra-ui/react";
import type { HueView } from "../../api/client";
import { stepKey } from "../../api/keys";
import { Halves } from "../../components/Halves";
import { ToolButton } from "../../components/ToolButton";
import { backEdit } from "../../workspace/chosen";
import { useWorkspace } from "../../workspace/hooks";

export function ByHand({ hue }: { hue: HueView }) {
  const { put } = useWorkspace();
  if (hue.pins.length === 0) return null;
  return (
    <Flex gap="16px" wrap="wrap" width="100%" align="center" fontSize="12px" data-testid="pins">
      <Text color="fg.muted">By hand</Text>
      {hue.pins.map((pin) => (
        <Flex key={pin.step} gap="8px" align="center">
          <Halves
            one={pin.seen}
            other={pin.generated.seen}
            words={`${pin.kind === "pinned" ? "Pinned" : "Nudged"} ${pin.hex} beside generated ${pin.generated.hex}`}
          />
          <Text>
            {pin.label} {pin.kind}{" "}
            <Text as="span" fontFamily="mono">
              {pin.hex}
            </Text>
            , CIEDE2000 {pin.distance} from the generated{" "}
            <Text as="span" fontFamily="mono">
              {pin.generated.hex}
            </Text>
          </Text>
          <ToolButton
            aria-label={`${pin.label} back to generated`}
            onClick={() => void put(backEdit(stepKey(hue.id, pin.step)))}
          >
            Back
          </ToolButton>
        </Flex>
      ))}
    </Flex>
  );
}
