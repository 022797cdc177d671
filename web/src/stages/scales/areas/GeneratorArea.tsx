/** Generator: every scale as the system's rules make it and as the newest would, edge to edge, before anything moves. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { edit } from "../../../api/edits";
import { Strip } from "../../../components/Strip";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { Area } from "../../shared/Area";

const TALL = 18;

export function GeneratorArea() {
  const { put } = useWorkspace();
  const { current, newest, scales, words, consequences, held } = usePart("generators");
  return (
    <Area
      title="Generator"
      tools={
        <Text fontSize="12px" color="fg.muted">
          {words} {consequences}
        </Text>
      }
      actions={
        scales.length > 0 && (
          <ToolButton
            disabled={held !== null}
            onClick={() => void put(edit("set_generator", { generator: newest }))}
          >
            Move to generator {newest}
          </ToolButton>
        )
      }
    >
      {held && <Text fontSize="12px">{held}</Text>}
      {scales.length > 0 && (
        <Text fontSize="12px" marginBottom="4px">
          Above, each scale by generator {current}; below, by generator {newest}.
        </Text>
      )}
      <Flex direction="column" gap="8px" fontSize="12px" data-testid="generators">
        {scales.map((scale) => (
          <Flex key={scale.hue} align="center" gap="10px">
            <Text width="110px" flexShrink={0} truncate title={scale.name}>
              {scale.name}
            </Text>
            <Box flex="1 1 0" minWidth="0">
              <Strip
                colors={scale.before}
                height={TALL}
                label={`${scale.name} by generator ${current}`}
                texts={scale.before.map((step, place) => `${scale.labels[place]} ${step.hex}`)}
              />
              <Strip
                colors={scale.after}
                height={TALL}
                label={`${scale.name} by generator ${newest}`}
                texts={scale.after.map((step, place) => `${scale.labels[place]} ${step.hex}`)}
              />
            </Box>
            <Text width="290px" flexShrink={0} fontWeight={scale.seen ? 700 : 400}>
              {scale.words}
            </Text>
          </Flex>
        ))}
      </Flex>
    </Area>
  );
}
