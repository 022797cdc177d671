/** Finding a color, a token or a stage by a few letters. */
import { Box, Dialog, Flex, Input, Portal, Text } from "@chakra-ui/react";
import { type KeyboardEvent, memo, useMemo, useState } from "react";
import { Swatch } from "../parts/Swatch";
import { AREA_STAGES, AREA_WORDS, type Area, STAGES, type Stage, useLooking } from "../state/looking";
import { useKnown } from "../state/workspace";

const MOST = 9;

interface Found {
  key: string;
  words: string;
  what: string;
  seen: string | null;
  stage: Stage | null;
  area?: Area;
}

/** Spelling is forgiven: colour and color, grey and gray, and whatever parts a name. */
const plain = (text: string) =>
  text
    .toLowerCase()
    .replaceAll("colour", "color")
    .replaceAll("grey", "gray")
    .replace(/[\s._-]+/g, " ")
    .trim();

export const Finder = memo(function Finder({ shown, onClose }: { shown: boolean; onClose: () => void }) {
  return (
    <Dialog.Root open={shown} onOpenChange={(change) => !change.open && onClose()} lazyMount unmountOnExit>
      <Portal>
        <Dialog.Backdrop bg="blackAlpha.500" />
        <Dialog.Positioner>
          <Dialog.Content aria-label="Find">
            <Search onClose={onClose} />
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
});

function Search({ onClose }: { onClose: () => void }) {
  const view = useKnown((known) => known.view);
  const { look, goTo } = useLooking();
  const [text, setText] = useState("");
  const [at, setAt] = useState(0);
  const everything = useMemo<Found[]>(() => {
    const hues = view?.hues ?? [];
    return [
      ...STAGES.map((stage) => ({ key: stage, words: stage, what: "stage", seen: null, stage })),
      ...AREA_STAGES.flatMap(([stage, areas]) =>
        areas.map((area) => ({
          key: area,
          words: AREA_WORDS[area],
          what: `in ${stage}`,
          seen: null,
          stage,
          area,
        })),
      ),
      ...hues.map((hue) => ({
        key: hue.key,
        words: hue.name,
        what: hue.status ?? hue.kind,
        seen: hue.seen,
        stage: null,
      })),
      ...(view?.tokens ?? []).map((token) => ({
        key: token.key,
        words: token.name,
        what: token.chain,
        seen: token.seen,
        stage: null,
      })),
      ...hues.flatMap((hue) =>
        hue.steps.map((step) => ({
          key: step.key,
          words: `${hue.name} ${step.label}`,
          what: step.hex,
          seen: step.seen,
          stage: null,
        })),
      ),
    ];
  }, [view]);
  const wanted = plain(text);
  const found = everything
    .filter(
      (each) =>
        wanted !== "" && (plain(each.words).includes(wanted) || each.what.toLowerCase().includes(wanted)),
    )
    .slice(0, MOST);

  const choose = (one: Found | undefined) => {
    if (!one) return;
    onClose();
    if (one.stage) goTo(one.stage, one.area);
    else look({ select: one.key });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "ArrowDown") setAt(Math.min(at + 1, found.length - 1));
    else if (event.key === "ArrowUp") setAt(Math.max(at - 1, 0));
    else if (event.key === "Enter") choose(found[at]);
    else return;
    event.preventDefault();
  };
  return (
    <Box padding="14px">
      <Input
        autoFocus
        aria-label="Find a color, a token or a stage"
        placeholder="A color, a token or a stage"
        borderColor="border.emphasized"
        value={text}
        autoComplete="off"
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      {found.length > 0 && (
        <Box role="listbox" aria-label="Found" marginTop="8px">
          {found.map((each, place) => (
            <Flex
              key={each.key}
              role="option"
              aria-selected={place === at}
              align="center"
              gap="10px"
              minHeight="30px"
              paddingInline="8px"
              cursor="pointer"
              bg={place === at ? "bg.muted" : "bg"}
              fontWeight={place === at ? "700" : "400"}
              onClick={() => choose(each)}
            >
              {each.seen ? <Swatch seen={each.seen} width="28px" height="20px" /> : <Box width="28px" />}
              <Text flex="1">{each.words}</Text>
              <Text color="fg.muted" fontWeight="400">
                {each.what}
              </Text>
            </Flex>
          ))}
        </Box>
      )}
      <Text role="status" color="fg.muted" fontSize="12px" marginTop="6px">
        {wanted !== "" && found.length === 0 ? `Nothing is called “${text}”.` : ""}
      </Text>
    </Box>
  );
}
