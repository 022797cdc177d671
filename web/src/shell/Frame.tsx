/** The frame: top strip, sheet, specimen, slip. */
import { Box, Button, Flex, Grid, Heading, Link, Text } from "@chakra-ui/react";
import { lazy, type ReactNode, Suspense, useEffect, useState } from "react";
import { Link as RouterLink } from "react-router";
import { fetchPanels } from "../components/panels";
import { stageOf } from "../stages";
import { entryOfSheet, focusSoon } from "../util/focus";
import { goTo } from "../workspace/AddressMirror";
import { useKnown } from "../workspace/hooks";
import { useInbox } from "../workspace/inbox";
import { useInterface } from "../workspace/interface";
import { useLook } from "../workspace/look";
import { Announced } from "./Announced";
import { Beside, BesideHead } from "./Beside";
import { ErrorBoundary } from "./ErrorBoundary";
import { useKeys } from "./keys/useKeys";
import { Notices } from "./Notices";
import { fetchPersonMenu } from "./Person";
import { Released } from "./Released";
import { Said } from "./Said";
import { Slip } from "./Slip";
import { Specimen } from "./Specimen";
import { Stage } from "./Stage";
import { TopStrip } from "./TopStrip";
import { useDrops } from "./useDrops";
import { useFocusKept } from "./useFocusKept";
import { useSpecimenShown } from "./useSpecimenShown";
import { useThemeGone } from "./useThemeGone";

/** Panels and sheets are fetched once the page rests, or when they are asked for. */
const RESTED_MS = 1000;

const fetchFinder = () => import("./Finder");
const fetchHelp = () => import("./help/Help");
const Finder = lazy(() => fetchFinder().then((made) => ({ default: made.Finder })));
const Help = lazy(() => fetchHelp().then((made) => ({ default: made.Help })));

export function Frame() {
  const stage = useLook((at) => at.stage);
  const bare = useLook((at) => at.bare);
  const open = useKnown((known) => known.parts !== null);
  const name = useKnown((known) => known.parts?.head?.name);
  const missing = useKnown((known) => known.missing);
  const surround = useInterface((state) => state.surround);
  const specimen = useSpecimenShown();
  const hasTokens = useKnown((known) => known.parts?.specimen !== undefined);
  const keys = useKeys();
  useFocusKept();
  useThemeGone();
  useDrops(toReading);
  useEffect(() => {
    // So that the first letters that follow a key are not lost, nor a menu waited for.
    if (!open) return;
    const fetching = setTimeout(
      () => void Promise.allSettled([fetchPanels(), fetchPersonMenu(), fetchFinder(), fetchHelp()]),
      RESTED_MS,
    );
    return () => clearTimeout(fetching);
  }, [open]);
  useEffect(() => {
    document.title = name ? `${name}: ${stage} – Heimat` : "Heimat";
  }, [name, stage]);
  return (
    <Grid
      height="100%"
      templateRows={bare ? "minmax(0, 1fr)" : "44px minmax(0, 1fr) auto"}
      templateColumns="minmax(0, 1fr)"
    >
      {!bare && (
        <>
          <SkipLink />
          <TopStrip onKeys={keys.open} />
        </>
      )}
      <Flex minHeight="0">
        <Flex
          as="main"
          direction="column"
          flex="1"
          minWidth="0"
          minHeight="0"
          overflowX="hidden"
          overflowY="auto"
          position="relative"
          bg="bg"
          color="fg"
          data-surround={surround}
          tabIndex={-1}
        >
          <Released />
          <Notices />
          <BesideHead />
          {open ? <Stage /> : <Opening missing={missing?.message ?? null} />}
          <Said />
          <Announced />
        </Flex>
        <Beside />
        {specimen && hasTokens && (
          <ErrorBoundary what="The specimen">
            <Specimen />
          </ErrorBoundary>
        )}
      </Flex>
      {bare ? null : open ? (
        <ErrorBoundary what="The slip">
          <Slip />
        </ErrorBoundary>
      ) : (
        <Box height="0" />
      )}
      <ErrorBoundary what="This">
        <Suspense>
          <Once shown={keys.finding}>
            <Finder groups={keys.groups} shown={keys.finding} onClose={keys.endFinding} />
          </Once>
          <Once shown={keys.shown}>
            <Help groups={keys.groups} shown={keys.shown} onClose={keys.close} />
          </Once>
        </Suspense>
      </ErrorBoundary>
    </Grid>
  );
}

/** What is brought is read in Sources, but for what the stage that is looked at has a use for. */
const toReading = () => {
  const { stage } = useLook.getState();
  const { files, text } = useInbox.getState();
  if (stage !== "sources" && !stageOf(stage).takes?.(files, text)) goTo("sources");
};

/** The first thing that Tab comes to: past the strip, to the work. */
function SkipLink() {
  return (
    <Button
      position="absolute"
      top="6px"
      left="6px"
      zIndex="10"
      size="xs"
      bg="fg"
      color="bg"
      css={{ "&:not(:focus)": { clipPath: "inset(50%)", pointerEvents: "none" } }}
      onClick={() => focusSoon(entryOfSheet)}
    >
      To the sheet
    </Button>
  );
}

/** From the first time that it is shown: what closes gives the focus back, so it stays. */
function Once({ shown, children }: { shown: boolean; children: ReactNode }) {
  const [was, setWas] = useState(shown);
  if (shown && !was) setWas(true);
  return was ? children : null;
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
