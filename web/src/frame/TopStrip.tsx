/** The top strip: whose system, which stage, how it is seen, what can be taken back, and who acts. */
import { Box, Button, Flex, Link, Text } from "@chakra-ui/react";
import { NavLink, Link as RouterLink, useSearchParams } from "react-router";
import { STAGES, useLooking } from "../state/looking";
import { useWorkspace } from "../state/workspace";
import { Person } from "./Person";
import { SeenAsChoice } from "./SeenAsChoice";
import { SurroundChoice } from "./SurroundChoice";

const STAGE_WORDS: Record<(typeof STAGES)[number], string> = {
  sources: "Sources",
  scales: "Scales",
  tokens: "Tokens",
  legibility: "Legibility",
  releases: "Releases",
};

export function Mark() {
  return (
    <Flex align="center" gap="8px" fontSize="16px" fontWeight="700" letterSpacing="-0.01em">
      <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
        <path d="M10 1 1 8.2V19h18V8.2z" fill="var(--ink)" />
        <path d="M5 10.5h10M6.5 13.5h7M8 16.5h4" stroke="var(--paper)" strokeWidth="1.6" />
      </svg>
      Heimat
    </Flex>
  );
}

export function TopStrip({ onKeys }: { onKeys: () => void }) {
  const { view } = useWorkspace();
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
          <Mark />
        </RouterLink>
      </Link>
      <Flex align="center" paddingInline="14px" gap="8px" minWidth="0">
        <Text fontWeight="700" truncate maxWidth="180px">
          {view?.name}
        </Text>
      </Flex>
      <Stages />
      <Flex align="center" gap="8px" marginLeft="auto" paddingInline="12px" whiteSpace="nowrap">
        <Flex align="center" gap="12px" hideBelow="1200px">
          <SeenAsChoice />
          <SurroundChoice />
        </Flex>
        <Box hideFrom="1200px">
          <Looks />
        </Box>
        <TakeBack />
        <Person onKeys={onKeys} />
      </Flex>
    </Flex>
  );
}

/** Seen as and surround in one, where the strip is short. */
function Looks() {
  const { looking } = useLooking();
  return (
    <Flex align="center" gap="6px">
      <SeenAsChoice short={looking.vision === "typical"} />
      <SurroundChoice short />
    </Flex>
  );
}

function Stages() {
  const { slug, stage } = useLooking();
  const { view } = useWorkspace();
  const [search] = useSearchParams();
  const open = view?.findings.length ?? 0;
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
              {each === "releases" && (view?.changed ?? 0) > 0 && <Unpublished />}
            </Flex>
          </NavLink>
        </Link>
      ))}
    </Flex>
  );
}

/** A small open circle: changed, but not published. */
export function Unpublished() {
  return (
    <Box
      as="span"
      role="img"
      aria-label="changed, not published"
      display="inline-block"
      width="7px"
      height="7px"
      border="1.5px solid currentColor"
      borderRadius="50%"
      flexShrink={0}
    />
  );
}

function TakeBack() {
  const { view, takeBack } = useWorkspace();
  return (
    <Flex gap="0">
      <Button
        variant="ghost"
        size="2xs"
        height="28px"
        fontSize="13px"
        disabled={!view?.undo}
        title={view?.undo ? `Undo: ${view.undo}` : "Nothing of yours to undo"}
        onClick={() => void takeBack("undo")}
      >
        Undo
      </Button>
      <Button
        variant="ghost"
        size="2xs"
        height="28px"
        fontSize="13px"
        disabled={!view?.redo}
        title={view?.redo ? `Redo: ${view.redo}` : "Nothing of yours to redo"}
        onClick={() => void takeBack("redo")}
      >
        Redo
      </Button>
    </Flex>
  );
}
