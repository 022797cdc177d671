/** What the crosshair stands on: the pixels around it, large, and the color that would be taken. */

import { Box, Flex, Text } from "@chakra-ui/react";
import type { SampleView } from "../../../../api/client";
import { Range } from "../../../../components/Range";
import { ToolButton } from "../../../../components/ToolButton";
import { look } from "../../../../workspace/look";
import styles from "./taken.module.css";

interface Props {
  sample: SampleView | null;
  problem: string | null;
  radius: number;
  replacing: string | null;
  onRadius: (radius: number) => void;
  onTakeAgain: () => void;
  onAdd: (color: SampleView) => void;
  onWait: (color: SampleView) => void;
}

export function Taken({ sample, problem, radius, replacing, onRadius, onTakeAgain, onAdd, onWait }: Props) {
  return (
    <Box marginTop="10px" fontSize="12px" data-testid="taken">
      {problem && <Text fontWeight="700">{problem}</Text>}
      {!sample && !problem && (
        <Text color="fg.muted">
          Click into the picture, or focus it and use the arrows, to take a color from there.
        </Text>
      )}
      {sample && (
        <Flex gap="10px">
          <div className={styles.magnifier} role="img" aria-label="The pixels around the crosshair">
            {sample.around.map((color, place) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: pixels have no identity but their place
              <span key={place} style={{ background: color }} />
            ))}
            <span className={styles.middle} />
          </div>
          <Box minWidth="0">
            <Flex align="stretch" minHeight="30px" marginBottom="4px">
              <Box width="64px" flexShrink={0} style={{ background: sample.seen }} data-taken={sample.hex} />
              <Box paddingLeft="8px">
                <Text fontFamily="mono" fontWeight="700">
                  {sample.text}
                </Text>
                <Text color="fg.muted">
                  at {sample.x}, {sample.y}
                </Text>
              </Box>
            </Flex>
            <Range
              label="Radius"
              value={radius}
              low={0}
              high={40}
              step={1}
              places={0}
              width="60px"
              onChange={onRadius}
            />
            <Flex gap="4px" marginTop="4px" wrap="wrap">
              {replacing && <ToolButton onClick={onTakeAgain}>Take instead of {replacing}</ToolButton>}
              {sample.near && (
                <ToolButton onClick={() => look({ select: sample.near?.key ?? null })}>
                  It is {sample.near.name}, CIEDE2000 {sample.near.distance}
                </ToolButton>
              )}
              <ToolButton onClick={() => onAdd(sample)}>Add it</ToolButton>
              <ToolButton onClick={() => onWait(sample)}>Let it wait</ToolButton>
            </Flex>
          </Box>
        </Flex>
      )}
    </Box>
  );
}
