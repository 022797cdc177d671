/** A contrast ratio in tabular figures, with its grade in words. */
import { Box } from "@chakra-ui/react";
import type { ContrastView } from "../api/client";

/** What a narrow field has room for. */
export const SHORT_GRADES: Record<ContrastView["grade"], string> = {
  AAA: "AAA",
  AA: "AA",
  "AA large": "lg",
  fails: "fails",
};

export function Ratio({ contrast, short = false }: { contrast: ContrastView; short?: boolean }) {
  return (
    <Box as="span" fontFamily="mono" fontSize="12px" whiteSpace="nowrap">
      <Box as="span" fontWeight="inherit">
        {contrast.text}
      </Box>{" "}
      {short ? SHORT_GRADES[contrast.grade] : contrast.grade}
    </Box>
  );
}
