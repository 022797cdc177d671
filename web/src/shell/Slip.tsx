/** The slip: everything about the selected color, at the foot of every stage. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { Fragment, memo, useState } from "react";
import type { ContrastView, SlipView } from "../api/client";
import { hueKey } from "../api/keys";
import { Ratio } from "../components/Ratio";
import { ToolButton } from "../components/ToolButton";
import { usePart, useWorkspace } from "../workspace/hooks";
import { look, useLook } from "../workspace/look";
import { useNarrow } from "../workspace/room";
import { useSafeRanges } from "../workspace/useSafeRanges";
import { SlipNotations } from "./SlipNotations";
import { SlipRamp } from "./SlipRamp";
import styles from "./slip.module.css";

export function Slip() {
  const slip = usePart("slip");
  const narrow = useNarrow();
  const [open, setOpen] = useState(false);
  const [told, setTold] = useState<string | null>(null);
  const select = useLook((at) => at.select);
  const [last, setLast] = useState({ key: "", name: "" });
  if (slip && (slip.key !== last.key || slip.name !== last.name)) setLast({ key: slip.key, name: slip.name });
  const gone = !slip && select !== null && select === last.key ? last.name : null;
  return (
    <Box
      as="footer"
      aria-label="Slip"
      borderTop="1px solid"
      borderColor="fg"
      bg="bg"
      color="fg"
      data-testid="slip"
      position="relative"
    >
      {told && (
        <Text
          position="absolute"
          bottom="calc(100% + 1px)"
          right="0"
          maxWidth="620px"
          bg="bg"
          border="1px solid"
          borderColor="fg"
          borderRight="0"
          padding="6px 12px"
          fontSize="12px"
          lineHeight="16px"
          zIndex="2"
          aria-hidden="true"
          data-testid="safe-words"
        >
          {told}
        </Text>
      )}
      {slip && narrow && <OneLine slip={slip} open={open} onToggle={() => setOpen(!open)} />}
      {slip && (!narrow || open) && (
        <Flex
          height={narrow ? "auto" : "92px"}
          maxHeight="60vh"
          align="stretch"
          wrap={narrow ? "wrap" : "nowrap"}
          overflowX="hidden"
          overflowY={narrow ? "auto" : "hidden"}
        >
          {!narrow && (
            <Box
              flexShrink={0}
              width="150px"
              css={{ "@media (max-width: 1199px)": { width: "56px" } }}
              style={{
                background: slip.wide
                  ? `linear-gradient(90deg, ${slip.seen} 50%, ${slip.wide.seen} 50%)`
                  : slip.seen,
              }}
              title={slip.wide ? "Left in sRGB, right in display-p3" : undefined}
            />
          )}
          <Words
            name={slip.name}
            kind={slip.kind}
            role={slip.role}
            why={slip.why}
            uses={slip.used_by}
            hue={slip.movable_hue === null || slip.movable_step !== null ? slip.hue : null}
          />
          <SlipNotations notations={slip.notations} wide={slip.wide?.text ?? null} />
          <Ramps slip={slip} onTell={setTold} />
          <Grounds grounds={slip.grounds} wide={slip.wide?.contrasts ?? null} />
        </Flex>
      )}
      {!slip && (
        <Flex
          height={narrow ? "36px" : "92px"}
          align="center"
          paddingInline="20px"
          color="fg.muted"
          aria-live="polite"
        >
          {gone
            ? `${gone} is there no more: it was removed.`
            : "Select a hue, a step or a token: everything about its color stands here."}
        </Flex>
      )}
    </Box>
  );
}

/** Where room is short: one line that opens. */
function OneLine({ slip, open, onToggle }: { slip: SlipView; open: boolean; onToggle: () => void }) {
  return (
    <Flex height="36px" align="center" gap="12px" paddingRight="12px">
      <Box width="56px" height="100%" style={{ background: slip.seen }} />
      <Text fontWeight="700" truncate>
        {slip.name}
      </Text>
      <Text fontFamily="mono" fontSize="12px">
        {slip.hex}
      </Text>
      <ToolButton marginLeft="auto" aria-expanded={open} onClick={onToggle}>
        {open ? "Less" : "All about it"}
      </ToolButton>
    </Flex>
  );
}

const SHOWN_USES = 2;
const USED: Record<SlipView["kind"], string> = {
  hue: "",
  step: "Used by ",
  token: "Stands under ",
  palette: "",
};

interface WordsProps {
  name: string;
  kind: SlipView["kind"];
  role: string;
  why: string;
  uses: string[];
  /** The hue that is moved instead of what is selected. */
  hue: string | null;
}

/** While a color moves, what is not its numbers mostly stays: each part of the slip is drawn again by itself. */
const Words = memo(function Words({ name, kind, role, why, uses, hue }: WordsProps) {
  const used = uses.length;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what does not fit is scrolled to by keys
    <div className={styles.words} tabIndex={0} role="group" aria-label="Why this color">
      <div className={styles.head}>
        <p className={styles.name} data-testid="slip-name">
          {name}
        </p>
        {hue ? (
          <ToolButton
            border="0"
            height="24px"
            marginBlock="-3px"
            paddingInline="2px"
            textDecoration="underline"
            onClick={() => look({ select: hueKey(hue) })}
          >
            To its hue
          </ToolButton>
        ) : (
          <p className={styles.faint}>{role}</p>
        )}
      </div>
      <p className={styles.faint} data-testid="slip-why">
        {why}
      </p>
      {used > 0 && (
        <p className={styles.uses}>
          {USED[kind]}
          {uses.slice(0, SHOWN_USES).join(", ")}
          {used > SHOWN_USES ? `, ${used - SHOWN_USES} more` : ""}
        </p>
      )}
    </div>
  );
});

function Ramps({ slip, onTell }: { slip: SlipView; onTell: (words: string | null) => void }) {
  const { move, rest, end, cancel } = useWorkspace().moving;
  const movable = slip.movable_hue !== null;
  const safe = useSafeRanges();
  const shared = { of: slip.key, movable, onTell, onRest: rest, onEnd: end, onCancel: cancel };
  return (
    <Box
      flex="1.5 1 300px"
      minWidth="216px"
      borderLeft="1px solid"
      borderColor="border"
      padding="6px 12px"
      position="relative"
    >
      <SlipRamp
        label="Lightness"
        ramp={slip.lightness}
        safe={safe?.lightness ?? null}
        step={1}
        places={1}
        onMove={(lightness) => move(() => ({ lightness }))}
        {...shared}
      />
      <SlipRamp
        label="Chroma"
        ramp={slip.chroma}
        safe={safe?.chroma ?? null}
        step={0.005}
        places={3}
        onMove={(chroma) => move(() => ({ chroma }))}
        {...shared}
      />
      <SlipRamp
        label="Hue"
        ramp={slip.turn}
        safe={safe?.hue ?? null}
        step={1}
        places={0}
        unit="°"
        onMove={(angle) => move(() => ({ angle }))}
        {...shared}
      />
    </Box>
  );
}

interface GroundsProps {
  grounds: SlipView["grounds"];
  /** The contrasts in display-p3, where it has a value of its own there. */
  wide: ContrastView[] | null;
}

const Grounds = memo(function Grounds({ grounds, wide }: GroundsProps) {
  return (
    <div
      className={wide ? `${styles.grounds} ${styles.wide}` : styles.grounds}
      aria-label="Contrast on grounds"
      role="group"
    >
      {grounds.map((ground, place) => (
        <Fragment key={ground.name}>
          <span className={styles.ground} style={{ background: ground.seen }} />
          <span className={styles.cut}>{ground.name}</span>
          <Ratio contrast={ground.contrast} />
          {ground.room && <span className={styles.room}>{ground.room}</span>}
          {wide && (
            <span className={styles.figure} title="The same in display-p3">
              {wide[place]?.text}
            </span>
          )}
        </Fragment>
      ))}
    </div>
  );
});
