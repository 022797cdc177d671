/** The top strip: whose system, which stage, how it is seen, what can be taken back, and who acts. */
import { Box, Button, Flex, Link, Popover, Portal } from "@chakra-ui/react";
import { memo } from "react";
import { NavLink, Link as RouterLink, useSearchParams } from "react-router";
import { Choice } from "../parts/Choice";
import { Mark } from "../parts/Mark";
import { Unpublished } from "../parts/Unpublished";
import { STAGES, type Stage, useLooking, VISION_WORDS } from "../state/looking";
import { useNarrow } from "../state/room";
import { useActions, useKnown } from "../state/workspace";
import { Person } from "./Person";
import { SeenAsChoice, SeenAsPanel } from "./SeenAsChoice";
import { SurroundChoice } from "./SurroundChoice";
import { SystemName } from "./SystemName";

const STAGE_WORDS: Record<(typeof STAGES)[number], string> = {
  sources: "Sources",
  scales: "Scales",
  tokens: "Tokens",
  legibility: "Legibility",
  releases: "Releases",
};

/** Its parts are drawn again only where what they show has changed: a drag changes most of the rest. */
export const TopStrip = memo(function TopStrip({ onKeys }: { onKeys: () => void }) {
  const narrow = useNarrow();
  return (
    <Flex
      as="header"
      align="stretch"
      borderBottom="1px solid"
      borderColor="fg"
      bg="bg"
      color="fg"
      minWidth="0"
    >
      <Link
        asChild
        paddingInline="14px"
        borderRight="1px solid"
        borderColor="border"
        color="fg"
        _hover={{ textDecoration: "none" }}
      >
        <RouterLink to="/" aria-label="Heimat: all systems">
          <Mark short={narrow} />
        </RouterLink>
      </Link>
      {!narrow && <SystemName />}
      {narrow ? <StageMenu /> : <Stages />}
      <Flex align="center" gap="8px" marginLeft="auto" paddingInline="12px" whiteSpace="nowrap">
        <Flex align="center" gap="12px" css={{ "@media (max-width: 1199px)": { display: "none" } }}>
          <SeenAsChoice />
          <SurroundChoice />
        </Flex>
        <Box css={{ "@media (min-width: 1200px)": { display: "none" } }}>
          <Looks />
        </Box>
        <TakeBack />
        <Person onKeys={onKeys} />
      </Flex>
    </Flex>
  );
});

/** Seen as and surround in one menu, where the strip is short. */
function Looks() {
  const { looking } = useLooking();
  return (
    <Popover.Root positioning={{ placement: "bottom-end" }} lazyMount>
      <Popover.Trigger asChild>
        <Button variant="ghost" size="2xs" height="28px" fontSize="13px" fontWeight="400" paddingInline="4px">
          Seen as <strong>{VISION_WORDS[looking.vision ?? "typical"]}</strong>
        </Button>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content width="250px" padding="12px" boxShadow="md" aria-label="Seen as and surround">
            <SeenAsPanel />
            <Box marginTop="12px">
              <SurroundChoice />
            </Box>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}

/** The stages in one menu, where the strip is short. */
function StageMenu() {
  const { stage, goTo } = useLooking();
  const open = useKnown(({ view }) => view?.findings.length ?? 0);
  const items = STAGES.map((each) => ({
    value: each,
    words: each === "legibility" && open > 0 ? `${STAGE_WORDS[each]}, ${open} to settle` : STAGE_WORDS[each],
  }));
  return (
    <Flex as="nav" aria-label="Stages" align="center" paddingInline="8px">
      <Choice
        label="Stage"
        value={stage}
        items={items}
        onChoose={(chosen) => void goTo(chosen as Stage)}
        plain
      />
    </Flex>
  );
}

function Stages() {
  const open = useKnown(({ view }) => view?.findings.length ?? 0);
  const changed = useKnown(({ view }) => (view?.changed ?? 0) > 0);
  const { slug, stage } = useLooking();
  const [search] = useSearchParams();
  return (
    <Flex as="nav" aria-label="Stages" align="stretch" gap="0">
      {STAGES.map((each) => (
        <Link
          key={each}
          asChild
          position="relative"
          paddingInline="12px"
          color={each === stage ? "fg" : "fg.muted"}
          fontWeight={each === stage ? "700" : "400"}
          _hover={{ textDecoration: "none", color: "fg" }}
          _after={
            each === stage
              ? {
                  content: '""',
                  position: "absolute",
                  left: "12px",
                  right: "12px",
                  bottom: "0",
                  height: "4px",
                  bg: "fg",
                }
              : {}
          }
        >
          <NavLink to={{ pathname: `/systems/${slug}/${each}`, search: search.toString() }}>
            <Flex align="center" gap="6px" height="100%">
              {STAGE_WORDS[each]}
              {each === "legibility" && open > 0 && (
                <Box
                  as="span"
                  border="1.5px solid"
                  borderColor="fg"
                  color="fg"
                  borderRadius="2px"
                  paddingInline="4px"
                  lineHeight="16px"
                  fontSize="12px"
                  fontWeight="700"
                  aria-label={`${open} to settle`}
                >
                  {open}
                </Box>
              )}
              {each === "releases" && changed && <Unpublished />}
            </Flex>
          </NavLink>
        </Link>
      ))}
    </Flex>
  );
}

function TakeBack() {
  const undo = useKnown(({ view }) => view?.undo ?? null);
  const redo = useKnown(({ view }) => view?.redo ?? null);
  const { takeBack } = useActions();
  return (
    <Flex gap="0">
      <Button
        variant="ghost"
        size="2xs"
        height="28px"
        fontSize="13px"
        disabled={!undo}
        title={undo ? `Undo: ${undo}` : "Nothing of yours to undo"}
        onClick={() => void takeBack("undo")}
      >
        Undo
      </Button>
      <Button
        variant="ghost"
        size="2xs"
        height="28px"
        fontSize="13px"
        disabled={!redo}
        title={redo ? `Redo: ${redo}` : "Nothing of yours to redo"}
        onClick={() => void takeBack("redo")}
      >
        Redo
      </Button>
    </Flex>
  );
}
