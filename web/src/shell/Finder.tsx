/** Finding a color, a token, a stage or a work area by a few letters. */
import { Box, Combobox, Dialog, Portal, Text, useListCollection } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type KeyboardEvent, memo, type RefObject, useEffect, useMemo, useRef, useState } from "react";
import type { Parts } from "../api/client";
import { SPELLINGS } from "../api/constants.generated";
import { Swatch } from "../components/Swatch";
import { STAGES } from "../stages";
import { entryOfSheet, focusSoon, found } from "../util/focus";
import { useSteady } from "../util/useSteady";
import { goTo } from "../workspace/AddressMirror";
import { useKnown } from "../workspace/hooks";
import { look, useLook, useSeeing } from "../workspace/look";
import { server } from "../workspace/server";

const MOST = 9;

interface Found {
  key: string;
  words: string;
  what: string;
  seen: string | null;
  /** Where it leads, if it is no color. */
  stage?: string;
  area?: string;
}

/** Spelling is forgiven: colour and color, grey and gray, and whatever parts a name. */
const plain = (text: string) =>
  SPELLINGS.reduce((found, [other, usual]) => found.replaceAll(other, usual), text.toLowerCase())
    .replace(/[\s._-]+/g, " ")
    .trim();

const PLACES: Found[] = [
  ...STAGES.map((stage) => ({
    key: stage.id,
    words: stage.words,
    what: "stage",
    seen: null,
    stage: stage.id,
  })),
  ...STAGES.flatMap((stage) =>
    stage.areas.map((area) => ({
      key: `${stage.id} ${area.id}`,
      words: area.words,
      what: `in ${stage.words}`,
      seen: null,
      stage: stage.id,
      area: area.id,
    })),
  ),
];

export const Finder = memo(function Finder({ shown, onClose }: { shown: boolean; onClose: () => void }) {
  // The dialog gives the field its focus, once the list is ready for it: earlier, the first letters would be lost.
  const field = useRef<HTMLInputElement>(null);
  return (
    <Dialog.Root
      open={shown}
      onOpenChange={(change) => !change.open && onClose()}
      initialFocusEl={() => field.current}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop bg="blackAlpha.500" />
        <Dialog.Positioner>
          <Dialog.Content aria-label="Find">
            <Search field={field} onClose={onClose} />
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
});

/** All that can be found: the colors are asked for while the finder is open, whatever the stage shows. */
function useEverything(): Found[] {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = useKnown(({ parts }) => parts?.head?.revision);
  const colors = useQuery({
    queryKey: ["finder", slug, revision, seeing],
    queryFn: () => server.open(slug, { ...seeing, parts: ["hues", "tokens", "scales", "palettes"] }),
    placeholderData: (before) => before,
  });
  return useMemo(() => [...PLACES, ...colorsOf(colors.data ?? {})], [colors.data]);
}

function colorsOf({ hues = [], tokens = [], scales = [], palettes = [] }: Partial<Parts>): Found[] {
  const names = new Map(hues.map((hue) => [hue.id, hue.name]));
  return [
    ...hues.map((hue) => ({ key: hue.key, words: hue.name, what: hue.status ?? hue.kind, seen: hue.seen })),
    ...scales.flatMap((scale) =>
      scale.steps.map((step) => ({
        key: step.key,
        words: `${names.get(scale.hue)} ${step.label}`,
        what: step.hex,
        seen: step.seen,
      })),
    ),
    // Tokens last: they are found by the step that they stand on too, and the step itself is meant first.
    ...palettes.map((palette) => ({
      key: `palette:${palette.id}`,
      words: palette.name,
      what: `${palette.kind} palette`,
      seen: palette.colors.at(-1)?.seen ?? null,
      stage: "charts",
    })),
    ...palettes.flatMap((palette) =>
      palette.kind === "categorical"
        ? palette.colors.map((color, place) => ({
            key: color.key,
            words: `${palette.name} ${place + 1} ${color.category}`.trim(),
            what: color.name,
            seen: color.seen,
          }))
        : [],
    ),
    ...tokens.map((token) => ({ key: token.key, words: token.name, what: token.chain, seen: token.seen })),
  ];
}

function Search({ field, onClose }: { field: RefObject<HTMLInputElement | null>; onClose: () => void }) {
  const everything = useEverything();
  const { collection, filter, set } = useListCollection<Found>({
    initialItems: everything,
    limit: MOST,
    itemToValue: (found) => found.key,
    itemToString: (found) => found.words,
    filter: (_, text, found) => {
      const wanted = plain(text);
      return (
        wanted !== "" && (plain(found.words).includes(wanted) || found.what.toLowerCase().includes(wanted))
      );
    },
  });
  const [text, setText] = useState("");
  useEffect(() => set(everything), [everything, set]);
  const items = text === "" ? [] : collection.items;
  const choose = (one: Found | undefined) => {
    if (!one) return;
    onClose();
    if (one.stage) {
      goTo(one.stage, one.area);
      if (one.seen) look({ select: one.key });
      focusSoon(one.area ? found("[data-testid=area]") : entryOfSheet);
    } else {
      look({ select: one.key });
      focusSoon(entryOfSheet);
    }
  };
  // An Enter right after typing counts, though what was typed is not found yet, not yet listed, or not yet highlighted.
  const highlighted = useRef<string | null>(null);
  const early = useRef(false);
  const onKeyDown = (event: KeyboardEvent) => {
    early.current = event.key === "Enter" && items.length === 0;
    if (event.key !== "Enter" || items.some((each) => each.key === highlighted.current)) return;
    event.preventDefault();
    choose(items[0]);
  };
  const chooseEarly = useSteady(() => {
    if (early.current && items.length > 0) choose(items[0]);
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the list is what is waited for
  useEffect(chooseEarly, [chooseEarly, collection]);
  return (
    <Box padding="14px">
      <Combobox.Root
        collection={collection}
        open={items.length > 0}
        inputBehavior="autohighlight"
        selectionBehavior="preserve"
        onInputValueChange={(change) => {
          setText(change.inputValue.trim());
          filter(change.inputValue);
        }}
        onHighlightChange={(change) => {
          highlighted.current = change.highlightedValue;
        }}
        onValueChange={(change) => choose(change.items[0])}
      >
        <Combobox.Control>
          <Combobox.Input
            ref={field}
            onKeyDown={onKeyDown}
            aria-label="Find a color, a token or a stage"
            placeholder="A color, a token or a stage"
            borderColor="border.emphasized"
            autoComplete="off"
          />
        </Combobox.Control>
        <Combobox.Content
          marginTop="8px"
          padding="0"
          boxShadow="none"
          position="static"
          width="100%"
          maxHeight="none"
          aria-label="Found"
        >
          {items.map((each) => (
            <Combobox.Item
              key={each.key}
              item={each}
              gap="10px"
              minHeight="30px"
              paddingInline="8px"
              cursor="pointer"
              _highlighted={{ bg: "bg.muted", fontWeight: "700" }}
            >
              <Box width="30px" border="1px solid" borderColor={each.seen ? "border" : "transparent"}>
                {each.seen && <Swatch seen={each.seen} width="28px" height="20px" />}
              </Box>
              <Text flex="1">{each.words}</Text>
              <Text color="fg.muted" fontWeight="400">
                {each.what}
              </Text>
            </Combobox.Item>
          ))}
        </Combobox.Content>
      </Combobox.Root>
      <Text role="status" color="fg.muted" fontSize="12px" marginTop="6px">
        {text !== "" && items.length === 0 ? `Nothing is called “${text}”.` : ""}
      </Text>
    </Box>
  );
}
