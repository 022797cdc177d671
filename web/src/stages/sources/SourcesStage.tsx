/** Sources: the hues as bands, and a reading line that takes colors. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { type KeyboardEvent, useState } from "react";
import type { Edit, HueKind, HueView } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { Toolbar } from "../../parts/Toolbar";
import { type Notation, useInterface } from "../../state/interface";
import { useLooking } from "../../state/looking";
import { useActions, useView } from "../../state/workspace";
import { HueBand } from "./HueBand";
import { HueEditor } from "./HueEditor";
import { ReadingLine } from "./ReadingLine";

const KINDS: { kind: HueKind; words: string; height: number }[] = [
  { kind: "brand", words: "Brand", height: 46 },
  { kind: "accent", words: "Accent", height: 34 },
  { kind: "status", words: "Status", height: 28 },
  { kind: "neutral", words: "Neutral", height: 28 },
];

const NOTHING = "nothing";
const NOTATIONS: Notation[] = [
  "hex",
  "rgb",
  "hsl",
  "hwb",
  "hsb",
  "lab",
  "lch",
  "oklab",
  "oklch",
  "display-p3",
  "name",
];
const VALUES = [
  ...NOTATIONS.map((notation) => ({ value: notation, words: notation })),
  { value: NOTHING, words: "colors only" },
];

export function SourcesStage() {
  const view = useView();
  const { put } = useActions();
  const { looking, look } = useLooking();
  const { print } = useInterface();
  const [dragged, setDragged] = useState<string | null>(null);
  const selected = view.hues.find((hue) => hue.key === looking.select) ?? null;

  const moveBy = (hue: HueView, by: number) => {
    const same = view.hues.filter((other) => other.kind === hue.kind);
    const place = same.findIndex((other) => other.id === hue.id);
    const target = place + by;
    if (target < 0 || target >= same.length) return;
    // Down: to before whatever follows the neighbour in the order of all hues, so that no other kind is passed.
    const others = view.hues.filter((other) => other.id !== hue.id);
    const after = others.findIndex((other) => other.id === same[target]?.id) + 1;
    const before = by < 0 ? same[target] : others[after];
    void put({ type: "move_hue", hue: hue.id, before: before?.id ?? null } as Edit);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey || !selected) return;
    if (event.key === "ArrowUp") moveBy(selected, -1);
    else if (event.key === "ArrowDown") moveBy(selected, 1);
    else return;
    event.preventDefault();
  };
  const apart = view.told_apart
    .flatMap((set) => set.pairs)
    .filter((pair) => pair.distances.some((each) => !each.holds));
  return (
    <>
      <Toolbar title="Sources" words={`${view.hues.length} hues, ${view.tokens.length} tokens follow them`}>
        <ValuesAs />
      </Toolbar>
      <Box
        flex="1"
        minHeight="0"
        overflowY="auto"
        paddingInline="20px"
        paddingBottom="20px"
        onKeyDown={onKeyDown}
      >
        <ReadingLine />
        {KINDS.map(({ kind, words, height }) => {
          const hues = view.hues.filter((hue) => hue.kind === kind);
          if (hues.length === 0) return null;
          return (
            <Box as="section" key={kind} aria-label={words} marginTop="8px">
              <Flex justify="space-between" fontSize="12px" marginBottom="2px">
                <Text fontWeight="700">{words}</Text>
                <Text color="fg.muted">
                  {kind === "status" && view.told_apart.length > 0
                    ? `${hues.length}, told apart by everyone: ${apart.length === 0 ? "yes" : `no, ${apart.length} ${apart.length === 1 ? "pair is" : "pairs are"} confusable`}`
                    : hues.length}
                </Text>
              </Flex>
              {hues.map((hue) => (
                <Box key={hue.id}>
                  <HueBand
                    hue={hue}
                    height={height}
                    quiet={print === "nothing"}
                    selected={hue.key === looking.select}
                    dragged={dragged === hue.id}
                    onSelect={() => look({ select: hue.key === looking.select ? null : hue.key })}
                    onDrag={setDragged}
                    onDrop={() => {
                      if (dragged && dragged !== hue.id)
                        void put({ type: "move_hue", hue: dragged, before: hue.id } as Edit);
                      setDragged(null);
                    }}
                  />
                  {hue.key === looking.select && (
                    <HueEditor
                      hue={hue}
                      put={put}
                      onUp={() => moveBy(hue, -1)}
                      onDown={() => moveBy(hue, 1)}
                      first={hues[0] === hue}
                      last={hues.at(-1) === hue}
                    />
                  )}
                </Box>
              ))}
            </Box>
          );
        })}
        {view.hues.length === 0 && (
          <Text marginTop="20px">
            No hues yet. Type or paste a color above: its scale and everything else follows.
          </Text>
        )}
      </Box>
    </>
  );
}

/** The notation in which the bands print their values; the selected one's are all in the slip. */
function ValuesAs() {
  const { print, notation, set } = useInterface();
  const choose = (value: string) =>
    value === NOTHING ? set({ print: "nothing" }) : set({ print: "values", notation: value as Notation });
  return (
    <Choice
      label="Values as"
      value={print === "nothing" ? NOTHING : notation}
      items={VALUES}
      onChoose={choose}
    />
  );
}
