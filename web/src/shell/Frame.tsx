/** The frame: top strip, sheet, specimen, slip. */
import { Box, Flex, Grid, Heading, Link, Text } from "@chakra-ui/react";
import { useEffect } from "react";
import { Link as RouterLink } from "react-router";
import { LegibilityStage } from "../stages/legibility/LegibilityStage";
import { ReleasesStage } from "../stages/releases/ReleasesStage";
import { ScalesStage } from "../stages/scales/ScalesStage";
import { SourcesStage } from "../stages/sources/SourcesStage";
import { TokensStage } from "../stages/tokens/TokensStage";
import { useInterface } from "../state/interface";
import { type Stage, useLooking } from "../state/looking";
import { useSpecimenShown } from "../state/room";
import { useKnown } from "../state/workspace";
import { Finder } from "./Finder";
import { KeysSheet } from "./KeysSheet";
import { Notices } from "./Notices";
import { Slip } from "./Slip";
import { Specimen } from "./Specimen";
import { TopStrip } from "./TopStrip";
import { useKeys } from "./useKeys";

const SHEETS: Record<Stage, () => React.JSX.Element> = {
  sources: SourcesStage,
  scales: ScalesStage,
  tokens: TokensStage,
  legibility: LegibilityStage,
  releases: ReleasesStage,
};

export function Frame() {
  const { stage } = useLooking();
  const open = useKnown((known) => known.view !== null);
  const name = useKnown((known) => known.view?.name);
  const missing = useKnown((known) => known.missing);
  const { surround } = useInterface();
  const specimen = useSpecimenShown();
  const keys = useKeys();
  useEffect(() => {
    document.title = name ? `${name}: ${stage} – Heimat` : "Heimat";
  }, [name, stage]);
  const Sheet = SHEETS[stage];
  return (
    <Grid height="100%" templateRows="44px minmax(0, 1fr) auto" templateColumns="minmax(0, 1fr)">
      <TopStrip onKeys={keys.open} />
      <Flex minHeight="0">
        <Flex
          as="main"
          direction="column"
          flex="1"
          minWidth="0"
          minHeight="0"
          position="relative"
          bg="bg"
          color="fg"
          data-surround={surround}
        >
          <Notices />
          {open ? <Sheet /> : <Opening missing={missing?.message ?? null} />}
        </Flex>
        {specimen && open && <Specimen />}
      </Flex>
      {open ? <Slip /> : <Box height="0" />}
      <Finder shown={keys.finding} onClose={keys.endFinding} />
      <KeysSheet bindings={keys.bindings} shown={keys.shown} onClose={keys.close} />
    </Grid>
  );
}

function Opening({ missing }: { missing: string | null }) {
  if (missing === null) return <Text padding="20px">Opening</Text>;
  return (
    <Box padding="20px">
      <Heading as="h1" fontSize="20px" marginBottom="8px">
        {missing}
      </Heading>
      <Link asChild textDecoration="underline" minHeight="24px">
        <RouterLink to="/">To the list of systems</RouterLink>
      </Link>
    </Box>
  );
}
