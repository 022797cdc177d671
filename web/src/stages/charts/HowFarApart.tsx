/** How far apart: one axis a vision, every pair as two touching halves where its distance stands, the threshold a line. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { PaletteView } from "../../api/client";
import { NumberField } from "../../components/NumberField";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { look, VISION_WORDS } from "../../workspace/look";
import styles from "./apart.module.css";
import { type Categorical, setPalette } from "./palette";

export function HowFarApart({ palette }: { palette: PaletteView }) {
  const detail = usePart("palette_detail");
  const { put } = useWorkspace();
  if (!detail || detail.palette !== palette.id || palette.colors.length < 2) return null;
  const make = palette.make as Categorical;
  const share = (distance: number) => `${(100 * Math.min(distance, detail.most)) / detail.most}%`;
  return (
    <Box
      as="section"
      aria-label="How far apart"
      marginTop="12px"
      borderTop="1px solid"
      borderColor="border"
      paddingTop="6px"
    >
      <Flex gap="12px" align="center" marginBottom="4px">
        <Text fontWeight="700">How far apart</Text>
        <Text fontSize="12px" color="fg.muted">
          every pair where it stands, CIEDE2000; the line is what the palette asks for
        </Text>
        <NumberField
          label="How far apart the palette asks its colors to be"
          value={detail.threshold}
          low={0}
          high={100}
          step={1}
          places={1}
          onCommit={(threshold) => put(setPalette(palette, { ...make, threshold }))}
        />
      </Flex>
      {detail.apart.map((each) => (
        <Flex key={each.vision} align="center" gap="12px" height="24px" data-vision={each.vision}>
          <Text width="60px" fontSize="12px">
            {VISION_WORDS[each.vision as keyof typeof VISION_WORDS]}
          </Text>
          <div className={styles.axis} data-sample>
            {each.pairs.map((pair) => {
              const names = `${pair.one + 1} and ${pair.other + 1}`;
              return (
                <button
                  type="button"
                  key={names}
                  tabIndex={-1}
                  className={styles.pair}
                  style={{
                    left: share(pair.distance),
                    background: `linear-gradient(90deg, ${pair.colors[0]} 50%, ${pair.colors[1]} 50%)`,
                  }}
                  title={`${names}: ${pair.distance.toFixed(1)}`}
                  aria-label={`${names} for ${each.vision} vision, ${pair.distance.toFixed(1)} apart`}
                  onClick={() => look({ select: palette.colors[pair.other]?.key ?? null })}
                />
              );
            })}
            <div className={styles.threshold} style={{ left: share(detail.threshold) }} />
          </div>
          <Text width="170px" fontSize="12px">
            <strong>{each.least}</strong> {each.nearest}
          </Text>
        </Flex>
      ))}
    </Box>
  );
}
