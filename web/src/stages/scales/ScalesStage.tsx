/** Scales: one row a hue, one column a label, edge to edge; the ladder and its promises above. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { SystemView } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { Toggle } from "../../parts/Toggle";
import { Tool } from "../../parts/Tool";
import { Toolbar } from "../../parts/Toolbar";
import { backEdit, useChosen } from "../../state/chosen";
import { PRINTS, type Print, useInterface } from "../../state/interface";
import { AREA_WORDS, SCALE_AREAS, type ScaleArea, type Show, useLooking } from "../../state/looking";
import { scattered, useMoveHue } from "../../state/useMoveHue";
import { useActions, useView } from "../../state/workspace";
import { CurvesArea } from "./areas/CurvesArea";
import { FewerArea } from "./areas/FewerArea";
import { LadderArea } from "./areas/LadderArea";
import { MethodArea } from "./areas/MethodArea";
import { OneScaleArea } from "./areas/OneScaleArea";
import { OverlayArea } from "./areas/OverlayArea";
import { ChosenBar } from "./ChosenBar";
import { ColumnSheet } from "./ColumnSheet";
import { Promises } from "./Promises";
import { ScaleSheet } from "./ScaleSheet";

const SHEETS: Record<ScaleArea, () => React.JSX.Element> = {
  ladder: LadderArea,
  method: MethodArea,
  curves: CurvesArea,
  scale: OneScaleArea,
  overlay: OverlayArea,
  fewer: FewerArea,
};

const SHOW_ITEMS: { value: Show; words: string }[] = [
  { value: "all", words: "all scales" },
  { value: "scale", words: "one scale" },
  { value: "column", words: "one column" },
];

/** The stage itself shows nothing that moves: its parts ask for what they show. */
export function ScalesStage() {
  const { area: open, show } = useLooking();
  const area = SCALE_AREAS.find((known) => known === open) ?? null;
  const WorkArea = area ? SHEETS[area] : null;
  return (
    <>
      <Head area={area} show={show} />
      <Box flex="1" minHeight="0" overflow="auto" paddingInline="20px" paddingBottom="10px">
        {show !== "column" && <Promises />}
        {show === "column" ? <ColumnSheet /> : <ScaleSheet />}
        <Foot legends={show !== "column"} />
      </Box>
      {WorkArea && <WorkArea key={area} />}
    </>
  );
}

/** The step that is selected, if it is one. */
const selectedStep = ({ slip }: SystemView) => (slip?.kind === "step" ? slip : null);

function Head({ area, show }: { area: ScaleArea | null; show: Show }) {
  const { looking, look } = useLooking();
  const print = useInterface((state) => state.print);
  const set = useInterface((state) => state.set);
  const hues = useView((view) => view.hues.length);
  const steps = useView((view) => view.ladder.steps.length);
  const ground = useView((view) => view.ground_name);
  const step = useView((view) => selectedStep(view)?.key);
  const name = useView((view) => selectedStep(view)?.name);
  const grounds = [
    { value: "white", words: "white" },
    { value: "black", words: "black" },
    ...(step && name ? [{ value: step, words: name }] : []),
    ...(ground !== "white" && ground !== "black" && looking.ground !== step
      ? [{ value: looking.ground ?? "white", words: ground }]
      : []),
  ];
  return (
    <Toolbar title="Scales" words={`${hues} hues, ${steps} steps`}>
      <Choice
        label="Ground"
        value={looking.ground ?? "white"}
        items={grounds}
        onChoose={(chosen) => look({ ground: chosen })}
      />
      <Choice
        label="Print"
        value={print}
        items={PRINTS.map((each) => ({ value: each, words: each }))}
        onChoose={(value) => set({ print: value as Print })}
      />
      <Choice
        label="Show"
        value={show}
        items={SHOW_ITEMS}
        onChoose={(value) => look({ show: value as Show })}
      />
      {SCALE_AREAS.map((tool) => (
        <Toggle key={tool} on={tool === area} onClick={() => look({ area: tool === area ? null : tool })}>
          {AREA_WORDS[tool]}
        </Toggle>
      ))}
    </Toolbar>
  );
}

/** What can be done with what is selected, below the sheet; or else what the sheet's marks stand for. */
function Foot({ legends }: { legends: boolean }) {
  const { put } = useActions();
  const several = useChosen((state) => state.keys.length > 1);
  const { group } = useMoveHue();
  const mixed = useView((view) => scattered(view.hues));
  const step = useView((view) => selectedStep(view)?.key);
  const name = useView((view) => selectedStep(view)?.name);
  const byHand = useView((view) => Boolean(selectedStep(view)?.pinned || selectedStep(view)?.nudged));
  return (
    <Flex gap="18px" align="center" wrap="wrap" marginTop="8px" minHeight="28px" fontSize="12px">
      {several ? <ChosenBar /> : legends && <Legends />}
      {mixed && <Tool onClick={group}>Group by kind</Tool>}
      {!several && step && byHand && (
        <Tool onClick={() => void put(backEdit(step))}>{name}: back to generated</Tool>
      )}
    </Flex>
  );
}

function Legends() {
  const ground = useView((view) => view.ground_name);
  return (
    <>
      <Legend mark={<Box width="4px" height="14px" bg="fg" outline="1px solid" outlineColor="bg" />}>
        where 4.5 on {ground} begins
      </Legend>
      <Legend mark={<Box width="16px" height="2px" bg="fg" />}>the hue’s own color</Legend>
      <Legend mark={<Box width="7px" height="7px" bg="fg" />}>pinned</Legend>
      <Legend mark={<Text fontWeight="700">+</Text>}>nudged</Legend>
    </>
  );
}

function Legend({ mark, children }: { mark: React.ReactNode; children: React.ReactNode }) {
  return (
    <Flex align="center" gap="8px">
      {mark}
      <Text>{children}</Text>
    </Flex>
  );
}
