/** What is to settle of a palette, as Legibility tells it. */
import { Box } from "@chakra-ui/react";
import type { PaletteView } from "../../api/client";
import { useKnown, usePart } from "../../workspace/hooks";
import { FindingRow } from "../shared/FindingRow";

export function PaletteFindings({ palette }: { palette: PaletteView }) {
  const findings = usePart("findings");
  const known = useKnown(({ parts }) => parts?.repairs);
  const own = findings.filter((each) => each.select === `palette:${palette.id}`);
  if (own.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label={`Findings on ${palette.name}`}
      marginTop="10px"
      borderTop="1px solid"
      borderColor="border"
    >
      {own.map((finding) => (
        <FindingRow
          key={finding.id}
          finding={finding}
          repairs={known?.find((each) => each.finding === finding.id)?.repairs}
        />
      ))}
    </Box>
  );
}
