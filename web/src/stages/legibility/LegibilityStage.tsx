/** Legibility: what is to settle, then what was checked. */

import { Box, Text } from "@chakra-ui/react";
import { Toolbar } from "../../components/Toolbar";
import { useKnown, usePart } from "../../workspace/hooks";
import { ThemeChoice } from "../shared/ThemeChoice";
import { FindingRow } from "./FindingRow";
import { PairingsTable } from "./PairingsTable";
import { ToldApartTable } from "./ToldApartTable";

export function LegibilityStage() {
  const findings = usePart("findings");
  // While something is dragged there are none: they take long, and nobody reads them then.
  const known = useKnown(({ parts }) => parts?.repairs);
  const repairs = new Map(known?.map((each) => [each.finding, each.repairs]));
  const sets = usePart("told_apart");
  const holding = usePart("pairings", (all) => all.filter((pairing) => pairing.holds === true).length);
  const exempt = usePart("pairings", (all) => all.filter((pairing) => pairing.needed === null).length);
  const words = `${findings.length} to settle, ${holding} pairings hold${exempt ? `, ${exempt} exempt` : ""}`;
  return (
    <>
      <Toolbar title="Legibility" words={words}>
        <ThemeChoice />
      </Toolbar>
      <Box
        flex="1"
        minHeight="0"
        overflowY="auto"
        paddingInline="20px"
        paddingBottom="20px"
        tabIndex={0}
        role="group"
        aria-label="Checks"
      >
        <Box as="section" aria-label="Findings" borderTop="1px solid" borderColor="border">
          {findings.map((finding) => (
            <FindingRow key={finding.id} finding={finding} repairs={repairs.get(finding.id)} />
          ))}
          {findings.length === 0 && (
            <Text paddingBlock="12px">
              Nothing to settle: every pairing reaches its level, and every told-apart set keeps its
              distances.
            </Text>
          )}
        </Box>
        {sets.map((set) => (
          <ToldApartTable key={set.id} set={set} />
        ))}
        <PairingsTable />
      </Box>
    </>
  );
}
