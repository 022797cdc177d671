/** Finding a color, a token, a stage, a work area or a command by a few letters. */
import { Box, Combobox, createListCollection, Dialog, Portal, Text } from "@chakra-ui/react";
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
import type { KeyGroup } from "./keys/binding";

const MOST = 9;

interface Found {
  key: string;
  words: string;
  what: string;
  /** What more it is found by. */
  says?: string;
  seen: string | null;
  /** Where it leads, if it is no color. */
  stage?: string;
  area?: string;
  /** What it does, if it is a command. */
  act?: () => void;
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
      says: area.says,
      what: `in ${stage.words}`,
      seen: null,
      stage: stage.id,
      area: area.id,
    })),
  ),
];

interface Props {
  groups: KeyGroup[];
  shown: boolean;
  onClose: () => void;
}

/** Stages are found as places; what finds things is open already. */
const commandsOf = (groups: KeyGroup[]): Found[] =>
  groups.slice(1).flatMap(({ bindings }) =>
    bindings
      .filter((key) => key.shown !== "/")
      .map((key) => ({
        key: `key ${key.code} ${key.shown}`,
        words: key.words,
        what: `key ${key.shown}`,
        seen: null,
        act: () => key.act(new KeyboardEvent("keydown", { code: key.code })),
      })),
  );

export const Finder = memo(function Finder({ groups, shown, onClose }: Props) {
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
            <Search groups={groups} field={field} onClose={onClose} />
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
});

/** What is called so, or stands on what is: the first ones. */
function search(everything: readonly Found[], typed: string): Found[] {
  const wanted = plain(typed);
  if (wanted === "") return [];
  const meant = (each: Found) =>
    plain(each.words).includes(wanted) || each.what.toLowerCase().includes(wanted);
  const named = everything.filter(meant);
  // What a place says of itself comes behind what is called so.
  const told = everything.filter(
    (each) => each.says && plain(each.says).includes(wanted) && !named.includes(each),
  );
  return [...named, ...told].slice(0, MOST);
}

/** All that can be found: the colors are asked for while the finder is open, whatever the stage shows. */
function useEverything(groups: KeyGroup[]): Found[] {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = useKnown(({ parts }) => parts?.head?.revision);
  const colors = useQuery({
    queryKey: ["finder", slug, revision, seeing],
    queryFn: () => server.open(slug, { ...seeing, parts: ["hues", "tokens", "scales", "palettes"] }),
    placeholderData: (before) => before,
  });
  return useMemo(
    () => [...PLACES, ...colorsOf(colors.data ?? {}), ...commandsOf(groups)],
    [colors.data, groups],
  );
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

interface SearchProps {
  groups: KeyGroup[];
  field: RefObject<HTMLInputElement | null>;
  onClose: () => void;
}

function Search({ groups, field, onClose }: SearchProps) {
  const everything = useEverything(groups);
  const [text, setText] = useState("");
  const items = useMemo(() => search(everything, text), [everything, text]);
  const collection = useMemo(
    () => createListCollection({ items, itemToValue: (one) => one.key, itemToString: (one) => one.words }),
    [items],
  );
  const choose = (one: Found | undefined) => {
    if (!one) return;
    onClose();
    if (one.act) one.act();
    else if (one.stage) {
      goTo(one.stage, one.area);
      if (one.seen) look({ select: one.key });
      focusSoon(one.area ? found("[data-testid=area]") : entryOfSheet);
    } else {
      look({ select: one.key });
      focusSoon(entryOfSheet);
    }
  };
  // An Enter right after typing means what stands in the field, though the list still shows what is called by the
  // letters before, or the colors are not here yet; what is highlighted counts for the letters that it was listed by.
  const highlighted = useRef<{ key: string | null; of: string }>({ key: null, of: "" });
  const early = useRef(false);
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    early.current = false;
    if (event.key !== "Enter" || event.nativeEvent.isComposing) return;
    event.preventDefault();
    const typed = event.currentTarget.value.trim();
    const meant = search(everything, typed);
    const { key, of } = highlighted.current;
    early.current = meant.length === 0;
    choose((of === typed && meant.find((each) => each.key === key)) || meant[0]);
  };
  const chooseEarly = useSteady(() => {
    if (early.current) choose(search(everything, field.current?.value ?? "")[0]);
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the colors are what is waited for
  useEffect(chooseEarly, [chooseEarly, everything]);
  return (
    <Box padding="14px">
      <Combobox.Root
        collection={collection}
        open={items.length > 0}
        inputBehavior="autohighlight"
        selectionBehavior="preserve"
        onInputValueChange={(change) => setText(change.inputValue.trim())}
        onHighlightChange={(change) => {
          highlighted.current = { key: change.highlightedValue, of: text };
        }}
        onValueChange={(change) => choose(change.items[0])}
      >
        <Combobox.Control>
          <Combobox.Input
            ref={field}
            onKeyDown={onKeyDown}
            aria-label="Find a color, a token, a place or a command"
            placeholder="A color, a token, a place or a command"
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
