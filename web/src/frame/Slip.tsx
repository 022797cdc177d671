/** The slip: everything about the selected color, at the foot of every stage. */
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Fragment, useState } from "react";
import type { SlipView } from "../api/client";
import { Ratio } from "../parts/Ratio";
import { Swatch } from "../parts/Swatch";
import { Tool } from "../parts/Tool";
import { useLooking } from "../state/looking";
import { useMoving } from "../state/moving";
import { useNarrow } from "../state/room";
import { useSafeRanges } from "../state/useSafeRanges";
import { useView } from "../state/workspace";
import { SlipNotations } from "./SlipNotations";
import { SlipRamp } from "./SlipRamp";

export function Slip() {
  const { slip } = useView();
  const narrow = useNarrow();
  const [open, setOpen] = useState(false);
  const [told, setTold] = useState<string | null>(null);
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
          <Words slip={slip} />
          <SlipNotations slip={slip} />
          <Ramps slip={slip} onTell={setTold} />
          <Grounds slip={slip} />
        </Flex>
      )}
      {!slip && (
        <Flex height={narrow ? "36px" : "92px"} align="center" paddingInline="20px" color="fg.muted">
          Select a hue, a step or a token: everything about its color stands here.
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
      <Tool marginLeft="auto" aria-expanded={open} onClick={onToggle}>
        {open ? "Less" : "All about it"}
      </Tool>
    </Flex>
  );
}

const SHOWN_USES = 2;
const USED: Record<SlipView["kind"], string> = { hue: "", step: "Used by ", token: "Stands under " };

function Words({ slip }: { slip: SlipView }) {
  const { look } = useLooking();
  const used = slip.used_by.length;
  return (
    <Box
      flex="1.1 1 210px"
      minWidth="190px"
      paddingBlock="7px"
      paddingInline="14px"
      overflowY="auto"
      tabIndex={0}
      role="group"
      aria-label="Why this color"
    >
      <Flex justify="space-between" gap="8px">
        <Text fontWeight="700" fontSize="14px" truncate data-testid="slip-name">
          {slip.name}
        </Text>
        {slip.hue && (slip.movable_hue === null || slip.movable_step !== null) ? (
          <Tool
            border="0"
            height="24px"
            marginBlock="-3px"
            paddingInline="2px"
            textDecoration="underline"
            onClick={() => look({ select: `hue:${slip.hue}` })}
          >
            To its hue
          </Tool>
        ) : (
          <Text color="fg.muted" fontSize="12px">
            {slip.role}
          </Text>
        )}
      </Flex>
      <Text fontSize="12px" color="fg.muted" lineHeight="15px" data-testid="slip-why">
        {slip.why}
      </Text>
      {used > 0 && (
        <Text fontSize="12px" lineHeight="15px" marginTop="2px">
          {USED[slip.kind]}
          {slip.used_by.slice(0, SHOWN_USES).join(", ")}
          {used > SHOWN_USES ? `, ${used - SHOWN_USES} more` : ""}
        </Text>
      )}
    </Box>
  );
}

function Ramps({ slip, onTell }: { slip: SlipView; onTell: (words: string | null) => void }) {
  const { move, end, cancel } = useMoving();
  const movable = slip.movable_hue !== null;
  const safe = useSafeRanges();
  const shared = { movable, onTell, onEnd: () => void end(), onCancel: cancel };
  return (
    <Box
      flex="1.5 1 300px"
      minWidth="260px"
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

function Grounds({ slip }: { slip: SlipView }) {
  return (
    <Grid
      flex={slip.wide ? "0 0 268px" : "0 0 232px"}
      templateColumns={slip.wide ? "14px 1fr auto auto" : "14px 1fr auto"}
      gap="0 8px"
      alignContent="center"
      alignItems="center"
      borderLeft="1px solid"
      borderColor="border"
      paddingInline="12px"
      aria-label="Contrast on grounds"
      role="group"
    >
      {slip.grounds.map((ground, place) => (
        <Fragment key={ground.name}>
          <Swatch seen={ground.seen} border="1px solid" borderColor="border.emphasized" />
          <Text truncate lineHeight="20px">
            {ground.name}
          </Text>
          <Ratio contrast={ground.contrast} />
          {slip.wide && (
            <Text fontFamily="mono" fontSize="12px" color="fg.muted" title="The same in display-p3">
              {slip.wide.contrasts[place]?.text}
            </Text>
          )}
        </Fragment>
      ))}
    </Grid>
  );
}
