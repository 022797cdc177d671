/** The frame: top strip, sheet, specimen, slip. */
import { Box, Flex, Grid, Heading, Link, Text } from "@chakra-ui/react";
import { useEffect } from "react";
import { Link as RouterLink } from "react-router";
import { useKnown } from "../workspace/hooks";
import { useInterface } from "../workspace/interface";
import { useLook } from "../workspace/look";
import { useSpecimenShown } from "../workspace/room";
import { ErrorBoundary } from "./ErrorBoundary";
import { Finder } from "./Finder";
import { KeysSheet } from "./KeysSheet";
import { Notices } from "./Notices";
import { Slip } from "./Slip";
import { Specimen } from "./Specimen";
import { Stage } from "./Stage";
import { TopStrip } from "./TopStrip";
import { useKeys } from "./useKeys";
import { useWantedParts } from "./useWantedParts";

export function Frame() {
  const stage = useLook((at) => at.stage);
  const open = useKnown((known) => known.parts !== null);
  const name = useKnown((known) => known.parts?.head?.name);
  const missing = useKnown((known) => known.missing);
  const surround = useInterface((state) => state.surround);
  const specimen = useSpecimenShown();
  const hasTokens = useKnown((known) => known.parts?.tokens !== undefined);
  const keys = useKeys();
  useWantedParts();
  useEffect(() => {
    document.title = name ? `${name}: ${stage} – Heimat` : "Heimat";
  }, [name, stage]);
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
          {open ? <Stage /> : <Opening missing={missing?.message ?? null} />}
        </Flex>
        {specimen && hasTokens && (
          <ErrorBoundary what="The specimen">
            <Specimen />
          </ErrorBoundary>
        )}
      </Flex>
      {open ? (
        <ErrorBoundary what="The slip">
          <Slip />
        </ErrorBoundary>
      ) : (
        <Box height="0" />
      )}
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
