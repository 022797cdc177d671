/** A finding: the pair as it is, a sentence with figures, and the ways to settle it. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { memo, type ReactNode, useState } from "react";
import type { FindingView, RepairView } from "../../api/client";
import { Swatch } from "../../components/Swatch";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { look, VISION_WORDS } from "../../workspace/look";
import { Accept } from "./Accept";
import styles from "./finding.module.css";

interface Props {
  finding: FindingView;
  /** The ways to settle it, once they are known: while something is dragged, they are not. */
  repairs: RepairView[] | undefined;
  /** What else can be done about it here. */
  more?: ReactNode;
}

/** The same in a line, until it is opened. */
export function FindingLine({ finding, onOpen }: { finding: FindingView; onOpen: () => void }) {
  const theme = usePart("head", ({ themes }) =>
    themes.length > 1 ? themes.find((each) => each.id === finding.theme)?.name : undefined,
  );
  const [one, other] = finding.colors;
  return (
    <Flex
      as="button"
      width="100%"
      gap="10px"
      align="center"
      minHeight="28px"
      textAlign="left"
      cursor="pointer"
      borderBottom="1px solid"
      borderColor="border"
      data-testid="finding-line"
      onClick={onOpen}
    >
      <Flex flexShrink={0} data-sample>
        <Box width="20px" height="18px" style={{ background: one?.seen }} />
        <Box width="20px" height="18px" style={{ background: other?.seen }} />
      </Flex>
      <Text flex="1" minWidth="0" truncate>
        {finding.sentence}
        {theme && <span> In {theme}.</span>}
      </Text>
    </Flex>
  );
}

/** While something is dragged it is drawn with every move: of plain elements, and only where something of it changes. */
export const FindingRow = memo(function FindingRow({ finding, repairs, more }: Props) {
  const { put } = useWorkspace();
  // The same may be to settle in several themes.
  const theme = usePart("head", ({ themes }) =>
    themes.length > 1 ? themes.find((each) => each.id === finding.theme)?.name : undefined,
  );
  const [open, setOpen] = useState(false);
  const said = theme ? `${finding.sentence} In ${theme}.` : finding.sentence;
  return (
    <div className={styles.finding} data-testid="finding">
      <button
        type="button"
        className={styles.colors}
        aria-label={`${finding.kind === "pairing" && finding.use !== "part" ? "12 min: " : ""}select ${finding.sentence.split(" ")[0]}, of: ${said}`}
        onClick={() => look({ select: finding.select, ...(finding.theme ? { theme: finding.theme } : {}) })}
      >
        {finding.as_seen || isPair(finding) ? <Halves finding={finding} /> : <Sample finding={finding} />}
      </button>
      <div className={styles.words}>
        <p className={styles.sentence}>
          {finding.sentence}
          {theme && <span className={styles.theme}> In {theme}.</span>}
        </p>
        <p className={styles.detail}>
          {finding.detail} {finding.lapsed} {repairs?.length ? finding.held : ""}
        </p>
        <div className={styles.ways}>
          {repairs?.map((repair) => (
            <ToolButton
              key={repair.words}
              aria-label={`${repair.words} ${repair.consequence}, so that it is settled: ${said}`}
              onClick={() => void put(...repair.edits)}
              title={repair.consequence}
            >
              <Swatch seen={repair.seen} />
              {repair.words}{" "}
              <Text as="span" color="fg.muted">
                {repair.consequence}
              </Text>
            </ToolButton>
          ))}
          {more}
          {open ? (
            <Accept finding={finding} said={said} onDone={() => setOpen(false)} />
          ) : (
            <ToolButton aria-label={`Accept: ${said}`} onClick={() => setOpen(true)}>
              Accept
            </ToolButton>
          )}
          {repairs?.length === 0 && finding.settled_by_steps && (
            <Text fontSize="12px">
              {finding.held ||
                "Nothing near settles this. Move the hue, point the token elsewhere, or change the other side."}
            </Text>
          )}
        </div>
      </div>
    </div>
  );
});

/** Two colors of a palette beside each other; not one of them on its ground. */
const isPair = (finding: FindingView) =>
  finding.kind === "palette" && !finding.id.startsWith("palette-contrast");

/** The two colors as touching halves, once as designed, once as seen. */
function Halves({ finding }: { finding: FindingView }) {
  const [one, other] = finding.colors;
  const [seenOne, seenOther] = finding.as_seen ?? [];
  const vision = VISION_WORDS[(finding.as_seen_by ?? "typical") as keyof typeof VISION_WORDS];
  return (
    <span className={styles.halves} data-sample>
      <Half left={one?.hex} right={other?.hex} words="as designed" />
      {seenOne && <Half left={seenOne} right={seenOther} words={`as seen by ${vision}`} />}
    </span>
  );
}

function Half({
  left,
  right,
  words,
}: {
  left: string | undefined;
  right: string | undefined;
  words: string;
}) {
  return (
    <span
      role="img"
      aria-label={words}
      title={words}
      className={styles.half}
      style={{ background: `linear-gradient(90deg, ${left} 50%, ${right} 50%)` }}
    />
  );
}

function Sample({ finding }: { finding: FindingView }) {
  const [ink, ground] = finding.colors;
  return (
    <span data-sample className={styles.sample} style={{ color: ink?.seen, background: ground?.seen }}>
      {finding.kind === "crowded" ? null : finding.use === "part" ? (
        <span className={styles.mark} style={{ background: ink?.seen }} />
      ) : (
        "12 min"
      )}
    </span>
  );
}
