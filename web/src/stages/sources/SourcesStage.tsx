/** Sources: the hues as bands, a reading line that takes anything, candidates beside the set, and work areas below. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { type DragEvent, type KeyboardEvent, useState } from "react";
import type { HueKind } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { Toggle } from "../../parts/Toggle";
import { Toolbar } from "../../parts/Toolbar";
import { type Notation, useInterface } from "../../state/interface";
import { AREA_WORDS, SOURCE_AREAS, type SourceArea, useLooking } from "../../state/looking";
import { useMoveHue } from "../../state/useMoveHue";
import { useActions, useView } from "../../state/workspace";
import { counted } from "./adding";
import { EvenArea } from "./areas/EvenArea";
import { GalleryArea } from "./areas/GalleryArea";
import { HarmonyArea } from "./areas/HarmonyArea";
import { MixArea } from "./areas/MixArea";
import { NeutralArea } from "./areas/NeutralArea";
import { PictureArea } from "./areas/picture/PictureArea";
import { StatusArea } from "./areas/StatusArea";
import { TextArea } from "./areas/TextArea";
import { Candidates } from "./Candidates";
import { HueBand } from "./hues/HueBand";
import { HueEditor } from "./hues/HueEditor";
import { KeptStops } from "./KeptStops";
import { underParents } from "./order";
import { ReadingLine } from "./reading/ReadingLine";
import { useTaking } from "./reading/useTaking";

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
const SHEETS: Record<SourceArea, () => React.JSX.Element> = {
  harmony: HarmonyArea,
  even: EvenArea,
  mix: MixArea,
  picture: PictureArea,
  status: StatusArea,
  neutral: NeutralArea,
  gallery: GalleryArea,
  text: TextArea,
};

export function SourcesStage() {
  const hues = useView((view) => view.hues.length);
  const derived = useView((view) => view.hues.filter((hue) => hue.follows?.kind === "derived").length);
  const candidates = useView((view) => view.candidates.length);
  const { look, area: open } = useLooking();
  const area = SOURCE_AREAS.find((known) => known === open) ?? null;
  const taking = useTaking();
  const WorkArea = area ? SHEETS[area] : null;
  const words = [
    counted(hues, "hue"),
    ...(derived > 0 ? [`${derived} derived`] : []),
    ...(candidates > 0 ? [counted(candidates, "candidate")] : []),
  ].join(", ");
  const onDrop = (event: DragEvent) => {
    if (event.dataTransfer.files.length === 0) return;
    event.preventDefault();
    taking.take(event.dataTransfer.files);
  };
  const tools = (
    <>
      <ValuesAs />
      {SOURCE_AREAS.map((tool) => (
        <Toggle key={tool} on={tool === area} onClick={() => look({ area: tool === area ? null : tool })}>
          {AREA_WORDS[tool]}
        </Toggle>
      ))}
    </>
  );
  return (
    <Flex
      direction="column"
      flex="1"
      minHeight="0"
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes("Files")) event.preventDefault();
      }}
      onDrop={onDrop}
    >
      <Toolbar title="Sources" words={words}>
        {tools}
      </Toolbar>
      <Bands>
        <ReadingLine taking={taking} />
        <Candidates />
      </Bands>
      {WorkArea && <WorkArea key={area} />}
    </Flex>
  );
}

function Bands({ children }: { children: React.ReactNode }) {
  const every = useView((view) => view.hues);
  const confusable = useView((view) => view.confusable_status);
  const { put } = useActions();
  const { moveBy, moveBefore } = useMoveHue();
  const { looking, look, area } = useLooking();
  const { print, notation } = useInterface();
  const [dragged, setDragged] = useState<string | null>(null);
  const selected = every.find((hue) => hue.key === looking.select) ?? null;

  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey || !selected) return;
    if (event.key === "ArrowUp") moveBy(selected, -1);
    else if (event.key === "ArrowDown") moveBy(selected, 1);
    else return;
    event.preventDefault();
  };
  return (
    <Box
      flex="1"
      minHeight="96px"
      overflowY="auto"
      paddingInline="20px"
      paddingBottom="20px"
      onKeyDown={onKeyDown}
    >
      {children}
      {KINDS.map(({ kind, words, height }) => {
        const hues = underParents(every.filter((hue) => hue.kind === kind));
        if (hues.length === 0) return null;
        return (
          <Box as="section" key={kind} aria-label={words} marginTop="8px">
            <Flex justify="space-between" fontSize="12px" marginBottom="2px">
              <Text fontWeight="700">{words}</Text>
              <Text color="fg.muted">
                {kind === "status" && hues.length > 1
                  ? `${hues.length}, told apart by everyone: ${confusable === 0 ? "yes" : `no, ${confusable} ${confusable === 1 ? "pair is" : "pairs are"} confusable`}`
                  : hues.length}
              </Text>
            </Flex>
            {hues.map(({ hue, depth }, place) => (
              <Box key={hue.id}>
                <HueBand
                  hue={hue}
                  height={depth > 0 ? Math.min(height, 28) : height}
                  depth={depth}
                  quiet={print === "nothing"}
                  notation={notation}
                  selected={hue.key === looking.select}
                  dragged={dragged === hue.id}
                  onSelect={() => look({ select: hue.key === looking.select ? null : hue.key })}
                  onDrag={setDragged}
                  onDrop={() => {
                    if (dragged) moveBefore(dragged, hue.id);
                    setDragged(null);
                  }}
                />
                {hue.key === looking.select && area === null && (
                  <HueEditor
                    hue={hue}
                    put={put}
                    onUp={() => moveBy(hue, -1)}
                    onDown={() => moveBy(hue, 1)}
                    first={place === 0}
                    last={place === hues.length - 1}
                  />
                )}
              </Box>
            ))}
          </Box>
        );
      })}
      {every.length === 0 && (
        <Text marginTop="20px">
          No hues yet. Type or paste a color above: its scale and everything else follows.
        </Text>
      )}
      <KeptStops />
    </Box>
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
