/** The top strip: whose system, which stage, how it is seen, what can be taken back, and who acts. */

import { Box, Button, Flex, Link } from "@chakra-ui/react";
import { type MouseEvent, memo } from "react";
import { Link as RouterLink } from "react-router";
import { Choice } from "../components/Choice";
import { Mark } from "../components/Mark";
import { Opener } from "../components/Opener";
import { OpenMark } from "../components/OpenMark";
import { PopoverPanel } from "../components/panels";
import { Unpublished } from "../components/Unpublished";
import { STAGES } from "../stages";
import { goTo } from "../workspace/AddressMirror";
import { useKnown, useWorkspace } from "../workspace/hooks";
import { addressOf, useLook, VISION_WORDS } from "../workspace/look";
import { useNarrow } from "../workspace/room";
import { Person } from "./Person";
import { SeenAsChoice, SeenAsPanel } from "./SeenAsChoice";
import { SurroundChoice } from "./SurroundChoice";
import { SystemName } from "./SystemName";

/** Its parts are drawn again only where what they show has changed: a drag changes most of the rest. */
export const TopStrip = memo(function TopStrip({ onKeys }: { onKeys: () => void }) {
  const narrow = useNarrow();
  const { refresh, tell } = useWorkspace();
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
        <Person onKeys={onKeys} onChanged={refresh} onProblem={(words) => tell({ words, actions: [] })} />
      </Flex>
    </Flex>
  );
});

/** Seen as and surround in one menu, where the strip is short. */
function Looks() {
  const vision = useLook((at) => at.vision);
  return (
    <Opener
      opens="dialog"
      panel={(opened) => (
        <PopoverPanel {...opened} label="Seen as and surround" placement="bottom-end" width="250px">
          <SeenAsPanel />
          <Box marginTop="12px">
            <SurroundChoice />
          </Box>
        </PopoverPanel>
      )}
      variant="plain"
      size="2xs"
      height="28px"
      fontSize="13px"
      fontWeight="400"
      gap="5px"
      paddingInline="4px"
    >
      Seen as{" "}
      <Box as="strong" borderBottom="1px solid">
        {VISION_WORDS[vision]}
      </Box>
      <OpenMark />
    </Opener>
  );
}

/** The stages in one menu, where the strip is short. */
function StageMenu() {
  const stage = useLook((at) => at.stage);
  const open = useKnown(({ parts }) => parts?.head?.findings ?? 0);
  const items = STAGES.map((each) => ({
    value: each.id,
    words: each.id === "legibility" && open > 0 ? `${each.words}, ${open} to settle` : each.words,
  }));
  return (
    <Flex as="nav" aria-label="Stages" align="center" gap="6px" paddingInline="8px">
      <Choice label="Stage" value={stage} items={items} onChoose={goTo} />
      <ToSettle />
    </Flex>
  );
}

/** A plain click goes by what is looked at now, which the address may not tell yet; all others are the browser's. */
function follow(event: MouseEvent, stage: string) {
  if (event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
  event.preventDefault();
  goTo(stage);
}

/** How many findings are open: it changes with every move of a drag, and what stands around it does not. */
function ToSettle() {
  const open = useKnown(({ parts }) => parts?.head?.findings ?? 0);
  if (open === 0) return null;
  return (
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
  );
}

function Stages() {
  const changed = useKnown(({ parts }) => (parts?.head?.changed ?? 0) > 0);
  const at = useLook();
  return (
    <Flex as="nav" aria-label="Stages" align="stretch" gap="0">
      {STAGES.map((each) => (
        <Link
          key={each.id}
          asChild
          position="relative"
          paddingInline="12px"
          css={{ "@media (max-width: 999px)": { paddingInline: "7px" } }}
          color={each.id === at.stage ? "fg" : "fg.muted"}
          fontWeight={each.id === at.stage ? "700" : "400"}
          _hover={{ textDecoration: "none", color: "fg" }}
          _after={
            each.id === at.stage
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
          <RouterLink
            to={addressOf({ ...at, stage: each.id })}
            aria-current={each.id === at.stage ? "page" : undefined}
            onClick={(event) => follow(event, each.id)}
          >
            <Flex align="center" gap="6px" height="100%">
              {each.words}
              {each.id === "legibility" && <ToSettle />}
              {each.id === "releases" && changed && <Unpublished />}
            </Flex>
          </RouterLink>
        </Link>
      ))}
    </Flex>
  );
}

function TakeBack() {
  const undo = useKnown(({ parts }) => parts?.head?.undo ?? null);
  const redo = useKnown(({ parts }) => parts?.head?.redo ?? null);
  // What still rests can be taken back too.
  const moving = useKnown((known) => known.moving || known.sending);
  const { takeBack } = useWorkspace();
  return (
    <Flex gap="0">
      <Button
        variant="ghost"
        size="2xs"
        height="28px"
        fontSize="13px"
        disabled={!undo && !moving}
        title={moving ? "Undo what moves now" : undo ? `Undo: ${undo}` : "Nothing of yours to undo"}
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
