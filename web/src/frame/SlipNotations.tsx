/** The selected color in every notation; one click copies one. */
import { Box, Button, Popover, Portal, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { SlipView } from "../api/client";
import { copyText } from "../parts/copy";
import { Tool } from "../parts/Tool";
import { type Notation, useInterface } from "../state/interface";

const FIRST: string[] = ["hex", "rgb"];
/** What stands third until another notation has been chosen by copying it. */
const THIRD = "oklch";
const COPIED_MS = 900;

/** The numbers alone, with fewer decimals than what is copied. */
function glance(notation: string, text: string): string {
  const inner = /^[a-z]+\((.*)\)$/.exec(text)?.[1] ?? text;
  return inner.replace("display-p3 ", "").replace(/\d+\.\d+/g, (number) => {
    const places = (notation === "oklch" || notation === "p3") && Number(number) < 1 ? 3 : 1;
    return String(Number(Number(number).toFixed(places)));
  });
}

function Line({ notation, text, whole = false }: { notation: string; text: string; whole?: boolean }) {
  const [copied, setCopied] = useState(false);
  const set = useInterface((state) => state.set);
  const copy = async () => {
    if (notation !== "p3") set({ notation: notation as Notation });
    setCopied(await copyText(text));
    setTimeout(() => setCopied(false), COPIED_MS);
  };
  return (
    <Button
      variant="ghost"
      size="2xs"
      height="24px"
      width="100%"
      justifyContent="flex-start"
      gap="8px"
      paddingInline="4px"
      fontFamily="mono"
      fontSize="12px"
      fontWeight={notation === "hex" ? "700" : "400"}
      title={`Copy ${text}`}
      onClick={() => void copy()}
    >
      <Text as="span" color="fg.muted" fontWeight="400" width={whole ? "84px" : "42px"} textAlign="left">
        {notation}
      </Text>{" "}
      <Text as="span" truncate>
        {copied ? "copied" : whole ? text : glance(notation, text)}
      </Text>
    </Button>
  );
}

export function SlipNotations({ slip }: { slip: SlipView }) {
  const chosen = useInterface((state) => state.notation);
  const third = FIRST.includes(chosen) ? THIRD : chosen;
  // What goes beyond sRGB stands third: both values are published.
  const glanced = slip.wide ? FIRST : [...FIRST, third];
  return (
    <Box flex="0 0 202px" borderLeft="1px solid" borderColor="border" padding="9px 8px" position="relative">
      {slip.notations
        .filter((each) => glanced.includes(each.notation))
        .map((each) => (
          <Line key={each.notation} {...each} />
        ))}
      {slip.wide && <Line notation="p3" text={slip.wide.text} />}
      <Popover.Root positioning={{ placement: "top-end" }} lazyMount>
        <Popover.Trigger asChild>
          <Tool position="absolute" top="4px" right="6px" variant="ghost" aria-label="All notations">
            all
          </Tool>
        </Popover.Trigger>
        <Portal>
          <Popover.Positioner>
            <Popover.Content width="360px" padding="8px" boxShadow="md" aria-label="All notations">
              {slip.notations.map((each) => (
                <Line key={each.notation} {...each} whole />
              ))}
            </Popover.Content>
          </Popover.Positioner>
        </Portal>
      </Popover.Root>
    </Box>
  );
}
