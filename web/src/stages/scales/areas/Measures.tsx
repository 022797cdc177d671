/** What is measured of a scale: in words, and as small plots over its steps. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { ScaleDetail } from "../../../api/client";
import styles from "./measures.module.css";

export function Measures({ detail }: { detail: ScaleDetail }) {
  return (
    <Flex gap="24px" marginTop="10px" align="flex-start" wrap="wrap" fontSize="12px" data-testid="measures">
      <Gaps words={detail.lightness.words} gaps={detail.lightness.gaps} />
      <Gaps words={detail.distance.words} gaps={detail.distance.gaps} />
      <Chroma detail={detail} />
      <Box flex="1 1 200px" minWidth="180px">
        {detail.measures.map((words) => (
          <Text key={words}>{words}</Text>
        ))}
      </Box>
    </Flex>
  );
}

/** The gaps from step to step as bars, on the line of their mean. */
function Gaps({ words, gaps }: { words: string; gaps: number[] }) {
  const top = Math.max(...gaps, 0.01) * 1.1;
  const mean = gaps.reduce((sum, gap) => sum + gap, 0) / Math.max(gaps.length, 1);
  return (
    <figure className={styles.plot}>
      <div className={styles.bars} role="img" aria-label={`${words}: ${gaps.join(", ")}`}>
        {gaps.map((gap, place) => (
          // Gaps have no identity but their place.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          <span key={place} style={{ height: `${(100 * Math.max(gap, 0)) / top}%` }} title={gap.toFixed(1)} />
        ))}
        <i style={{ bottom: `${(100 * mean) / top}%` }} />
      </div>
      <figcaption>{words}.</figcaption>
    </figure>
  );
}

/** Chroma over the steps: what the curves ask for, what there is, and where the gamut ends. */
function Chroma({ detail }: { detail: ScaleDetail }) {
  const chroma = detail.figures_of;
  const top = Math.max(...chroma.map((step) => Math.max(step.asked, step.has))) * 1.25 || 0.01;
  return (
    <figure className={styles.plot}>
      <div
        className={styles.bars}
        role="img"
        aria-label={`OKLCH chroma asked for, reached, and the most there is: ${chroma
          .map((step) => `${step.label} ${step.asked}, ${step.has}, ${step.most}`)
          .join("; ")}`}
      >
        {chroma.map((step) => (
          <span
            key={step.label}
            className={styles.room}
            style={{ height: `${Math.min((100 * step.most) / top, 100)}%` }}
            title={`${step.label}: asked ${step.asked}, reached ${step.has}, at most ${step.most}`}
          >
            <b style={{ height: `${(100 * step.has) / Math.min(step.most || top, top)}%` }} />
          </span>
        ))}
      </div>
      <figcaption>OKLCH chroma of each step, in the room that the gamut leaves.</figcaption>
    </figure>
  );
}
