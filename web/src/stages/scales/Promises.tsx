/** The promises that all scales keep together, as brackets over the ladder. */
import { Box, Text } from "@chakra-ui/react";
import { useView } from "../../state/workspace";
import { LABELS_WIDTH } from "./measures";

export function Promises() {
  const { promises, ladder } = useView();
  const columns = ladder.steps.length;
  return (
    <Box as="section" aria-label="Promises" marginLeft={`${LABELS_WIDTH}px`} position="relative">
      {promises.map((promise) => (
        <Box key={promise.aim} position="relative" height="18px" title={`The tightest pair: ${promise.pair}`}>
          <Box
            position="absolute"
            left="0"
            bottom="2px"
            height="8px"
            border="1px solid"
            borderBottom="0"
            borderColor="fg"
            style={{ width: `${(100 * Math.min(promise.apart, columns)) / columns}%` }}
          />
          <Text
            position="absolute"
            bottom="-1px"
            fontSize="12px"
            whiteSpace="nowrap"
            style={{ left: `calc(${(100 * Math.min(promise.apart, columns)) / columns}% + 8px)` }}
          >
            <strong>{promise.apart} apart</strong>{" "}
            {promise.kept
              ? `every pair reaches ${promise.least}`
              : `${promise.least} at most: ${promise.aim} is not reached`}
          </Text>
        </Box>
      ))}
    </Box>
  );
}
