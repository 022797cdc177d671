/** Sources: the hues as bands, a reading line that takes anything, candidates beside the set, and work areas below. */

import { Box, Flex, Text } from "@chakra-ui/react";
import type { KeyboardEvent } from "react";
import type { Notation } from "../../api/client";
import { NOTATIONS } from "../../api/constants.generated";
import { HUE_DRAGGED } from "../../api/keys";
import { Choice } from "../../components/Choice";
import type { Item } from "../../components/item";
import { Toolbar } from "../../components/Toolbar";
import { useRowDrag } from "../../util/useRowDrag";
import { useKnown, usePart, useWorkspace } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import { useMoveHue } from "../../workspace/useMoveHue";
import { StageBody } from "../shared/StageBody";
import { AreaCommands, AreaOpeners, useOpenArea } from "../shared/WorkArea";
import { counted } from "./adding";
import { Candidates } from "./Candidates";
import { HueBand } from "./hues/HueBand";
import { HueEditor } from "./hues/HueEditor";
import { KeptStops } from "./KeptStops";
import { Made } from "./Made";
import { KINDS, underParents } from "./order";
import { ReadingLine } from "./reading/ReadingLine";
import { useTaking } from "./reading/useTaking";
import { SourcesStrip } from "./SourcesStrip";

const NOTHING = "nothing";
const VALUES: Item<Notation | typeof NOTHING>[] = [
  ...NOTATIONS.map((notation) => ({ value: notation, words: notation })),
  { value: NOTHING, words: "colors only" },
];
export function SourcesStage() {
  const hues = usePart("hues", (hues) => hues.length);
  const derived = usePart("hues", (all) => all.filter((hue) => hue.follows?.kind === "derived").length);
  const candidates = usePart("candidates", (candidates) => candidates.length);
  const taking = useTaking();
  const words = [
    counted(hues, "hue"),
    ...(derived > 0 ? [`${derived} derived`] : []),
    ...(candidates > 0 ? [counted(candidates, "candidate")] : []),
  ].join(", ");
  const tools = (
    <>
      <ValuesAs />
      <AreaCommands />
    </>
  );
  return (
    <Flex direction="column" flex="1" minHeight="0">
      <Toolbar title="Sources" words={words} openers={<AreaOpeners />}>
        {tools}
      </Toolbar>
      <Bands head={<ReadingLine taking={taking} />} />
    </Flex>
  );
}

function Bands({ head }: { head: React.ReactNode }) {
  const every = usePart("hues");
  const confusable = usePart("status", (status) => status.confusable);
  const { moveBy, moveTo } = useMoveHue();
  const drag = useRowDrag(HUE_DRAGGED, (hue, target, after) => moveTo(hue, target, after, "kind"));
  const { moving } = useWorkspace();
  const waiting = useKnown((known) => known.waiting);
  const select = useLook((at) => at.select);
  // Where nobody has chosen, the first is what the slip tells of.
  const told = usePart("slip", (slip) => slip?.key);
  const area = useOpenArea();
  const { print, notation } = useInterface();
  const selected = every.find((hue) => hue.key === select) ?? null;

  const onKeyDown = (event: KeyboardEvent) => {
    if (!event.altKey || !selected) return;
    if (event.key === "ArrowUp") moveBy(selected, -1, "kind");
    else if (event.key === "ArrowDown") moveBy(selected, 1, "kind");
    else return;
    event.preventDefault();
  };
  return (
    <StageBody
      head={head}
      strip={
        <>
          <SourcesStrip />
          <KeptStops />
        </>
      }
      padding="8px 20px 20px"
      onKeyDown={onKeyDown}
      {...drag.handlers}
    >
      <Box marginTop="8px">
        <Made />
      </Box>
      <Candidates />
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
                  selected={hue.key === (select ?? told)}
                  dragged={drag.dragged === hue.id}
                  line={drag.line(hue.id)}
                  waiting={waiting.has(hue.key)}
                  onSelect={() => look({ select: hue.key })}
                />
                {hue.key === select && area === null && (
                  <HueEditor
                    hue={hue}
                    onUp={() => {
                      moveBy(hue, -1, "kind");
                      void moving.rest();
                    }}
                    onDown={() => {
                      moveBy(hue, 1, "kind");
                      void moving.rest();
                    }}
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
    </StageBody>
  );
}

/** The notation in which the bands print their values; the selected one's are all in the slip. */
function ValuesAs() {
  const { print, notation, set } = useInterface();
  const choose = (value: Notation | typeof NOTHING) =>
    value === NOTHING ? set({ print: "nothing" }) : set({ print: "values", notation: value });
  return (
    <Choice
      label="Values as"
      value={print === "nothing" ? NOTHING : notation}
      items={VALUES}
      onChoose={choose}
    />
  );
}
