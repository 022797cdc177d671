/** The promises that all scales keep together, as brackets over the ladder. */

import { Box, Text } from "@chakra-ui/react";
import { memo } from "react";
import type { PromiseView } from "../../api/client";
import { Term } from "../../components/Term";
import { usePart } from "../../workspace/hooks";
import { LABELS_WIDTH } from "./sizes";

export function Promises() {
  const promises = usePart("promises");
  const ladder = usePart("ladder");
  // Positions count the steps that stand between no others; a bracket ends where so many are passed.
  const counted = ladder.steps.flatMap((step, place) => (step.between ? [] : [place]));
  const share = (apart: number) => (100 * (counted[apart] ?? ladder.steps.length)) / ladder.steps.length;
  return (
    <Box as="section" aria-label="Promises" marginLeft={`${LABELS_WIDTH}px`} position="relative">
      {promises.map((promise, place) => (
        <Bracket key={promise.aim} promise={promise} share={share(promise.apart)} first={place === 0} />
      ))}
    </Box>
  );
}

interface Props {
  promise: PromiseView;
  share: number;
  /** The first says what all of them are. */
  first: boolean;
}

const Bracket = memo(function Bracket({ promise, share, first }: Props) {
  return (
    <Box position="relative" height="18px" title={`The tightest pair: ${promise.pair}`}>
      <Box
        position="absolute"
        left="0"
        bottom="2px"
        height="8px"
        border="1px solid"
        borderBottom="0"
        borderColor="fg"
        style={{ width: `${share}%` }}
      />
      <Text
        position="absolute"
        bottom="-1px"
        fontSize="12px"
        whiteSpace="nowrap"
        bg="bg"
        paddingInline="2px"
        style={{ left: `min(calc(${share}% + 8px), calc(100% - 196px))` }}
      >
        <strong>
          {first ? <Term word="promise">{promise.apart} apart</Term> : `${promise.apart} apart`}
        </strong>{" "}
        {promise.kept
          ? `every pair reaches ${promise.least}`
          : `${promise.least} at most: ${promise.aim} is not reached`}
      </Text>
    </Box>
  );
});
