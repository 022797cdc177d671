/** How far apart: one axis a vision, every pair as two touching halves where its distance stands, the threshold a line. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { memo } from "react";
import type { PaletteDetail, PaletteView } from "../../api/client";
import { NumberField } from "../../components/NumberField";
import { useSteady } from "../../util/useSteady";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { look, VISION_WORDS } from "../../workspace/look";
import styles from "./apart.module.css";
import { type Categorical, remade } from "./palette";

export function HowFarApart({ palette }: { palette: PaletteView }) {
  const detail = usePart("palette_detail");
  const { putFrom } = useWorkspace();
  const select = useSteady((place: number) => look({ select: palette.colors[place]?.key ?? null }));
  const ask = useSteady((threshold: number) =>
    putFrom(remade<Categorical>(palette.id, (now) => ({ ...now, threshold }))),
  );
  if (!detail || detail.palette !== palette.id || palette.colors.length < 2) return null;
  return (
    <Box
      as="section"
      aria-label="How far apart"
      marginTop="12px"
      borderTop="1px solid"
      borderColor="border"
      paddingTop="6px"
    >
      <Asked threshold={detail.threshold} onAsk={ask} />
      {detail.apart.map((each) => (
        <Row
          key={each.vision}
          apart={each}
          most={detail.most}
          threshold={detail.threshold}
          onSelect={select}
        />
      ))}
    </Box>
  );
}

/** Drawn again only where something else is asked for. */
const Asked = memo(function Asked({
  threshold,
  onAsk,
}: {
  threshold: number;
  onAsk: (threshold: number) => unknown;
}) {
  return (
    <Flex gap="12px" align="center" marginBottom="4px">
      <Text fontWeight="700">How far apart</Text>
      <Text fontSize="12px" color="fg.muted">
        every pair where it stands, CIEDE2000; the line is what the palette asks for
      </Text>
      <NumberField
        label="How far apart the palette asks its colors to be"
        value={threshold}
        low={0}
        high={100}
        step={1}
        places={1}
        onCommit={onAsk}
      />
    </Flex>
  );
});

interface RowProps {
  apart: PaletteDetail["apart"][number];
  most: number;
  threshold: number;
  onSelect: (place: number) => void;
}

/** One vision; drawn again only where a distance changes. */
const Row = memo(function Row({ apart, most, threshold, onSelect }: RowProps) {
  const share = (distance: number) => `${(100 * Math.min(distance, most)) / most}%`;
  return (
    <div className={styles.row} data-vision={apart.vision}>
      <span className={styles.vision}>{VISION_WORDS[apart.vision as keyof typeof VISION_WORDS]}</span>
      <div className={styles.axis} data-sample>
        {apart.pairs.map((pair) => {
          const names = `${pair.one + 1} and ${pair.other + 1}`;
          return (
            <button
              type="button"
              key={names}
              tabIndex={-1}
              className={styles.pair}
              style={{
                left: share(pair.distance),
                backgroundImage: `linear-gradient(90deg, ${pair.colors[0]} 50%, ${pair.colors[1]} 50%)`,
              }}
              title={`${names}: ${pair.figure}`}
              aria-label={`${names} for ${apart.vision} vision, ${pair.figure} apart`}
              onClick={() => onSelect(pair.other)}
            />
          );
        })}
        <div className={styles.threshold} style={{ left: share(threshold) }} />
      </div>
      <span className={styles.least}>
        <strong>{apart.least}</strong> {apart.nearest}
      </span>
    </div>
  );
});
