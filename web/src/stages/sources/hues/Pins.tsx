/** The existing colors that a hue's scale keeps: each beside what would be generated in its place. */
import { Flex, Text } from "@chakra-ui/react";
import type { Edit, HueView } from "../../../api/client";
import { Halves } from "../../../parts/Halves";
import { Tool } from "../../../parts/Tool";
import { useActions } from "../../../state/workspace";

export function Pins({ hue }: { hue: HueView }) {
  const { put } = useActions();
  if (hue.pins.length === 0) return null;
  return (
    <Flex gap="16px" wrap="wrap" width="100%" align="center" fontSize="12px" data-testid="pins">
      <Text color="fg.muted">Pins</Text>
      {hue.pins.map((pin) => (
        <Flex key={pin.step} gap="8px" align="center">
          <Halves
            one={pin.seen}
            other={pin.generated.seen}
            words={`Pinned ${pin.hex} beside generated ${pin.generated.hex}`}
          />
          <Text>
            {pin.label}{" "}
            <Text as="span" fontFamily="mono">
              {pin.hex}
            </Text>
            , {pin.distance} from the generated{" "}
            <Text as="span" fontFamily="mono">
              {pin.generated.hex}
            </Text>
          </Text>
          <Tool
            aria-label={`Take the pin at ${pin.label} away`}
            onClick={() => void put({ type: "pin_step", hue: hue.id, step: pin.step, color: null } as Edit)}
          >
            Take away
          </Tool>
        </Flex>
      ))}
    </Flex>
  );
}
