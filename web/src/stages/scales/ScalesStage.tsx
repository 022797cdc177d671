/** Scales: one row a hue, one column a label, edge to edge; the ladder and its promises above. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect } from "react";
import type { SlipView } from "../../api/client";
import { Choice } from "../../components/Choice";
import { ToolButton } from "../../components/ToolButton";
import { Toolbar } from "../../components/Toolbar";
import { backEdit, useChosen } from "../../workspace/chosen";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { PRINTS, useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import { scattered, useMoveHue } from "../../workspace/useMoveHue";
import { NextLine } from "../shared/NextLine";
import { StageBody } from "../shared/StageBody";
import { AreaOpeners, useOpenArea } from "../shared/WorkArea";
import { ChosenBar } from "./ChosenBar";
import { ColumnSheet } from "./ColumnSheet";
import { Promises } from "./Promises";
import { ScaleSheet } from "./ScaleSheet";
import { ScalesStrip } from "./ScalesStrip";

const SHOW_ITEMS: { value: string; words: string }[] = [
  { value: "all", words: "all scales" },
  { value: "scale", words: "one scale" },
  { value: "column", words: "one column" },
];

/** Areas that are about the selected scale; all others change all of them. */
const OF_ONE = new Set(["curves", "scale", "overlay"]);

/** What stays in sight of the sheet while an area has it, with what is chosen there. */
function Strip({ area }: { area: string | null }) {
  const several = useChosen((state) => state.keys.length > 1);
  return (
    <>
      {area === "ladder" && <Promises />}
      {area && OF_ONE.has(area) ? <ScaleSheet strip /> : <ScalesStrip labels />}
      {area === "curves" && <ScalesStrip others />}
      {several && (
        <Flex gap="18px" align="center" wrap="wrap" marginTop="6px" fontSize="12px">
          <ChosenBar />
        </Flex>
      )}
    </>
  );
}

/** The stage itself shows nothing that moves: its parts ask for what they show. */
export function ScalesStage() {
  const show = useLook((at) => at.show);
  const area = useOpenArea();
  const choose = useChosen((state) => state.choose);
  // What is chosen belongs to this stage, and goes with it.
  useEffect(() => () => choose([]), [choose]);
  return (
    <>
      <Head show={show} />
      <StageBody
        strip={<Strip area={area} />}
        overflowX="auto"
        scrollbarGutter="stable"
        scrollPaddingTop="44px"
        padding="4px 20px 10px"
      >
        <NextLine stage="scales">
          look whether every row runs evenly; select one that does not, and open its curves.
        </NextLine>
        {show !== "column" && <Promises />}
        {show === "column" ? <ColumnSheet /> : <ScaleSheet />}
        <Foot legends={show !== "column"} />
      </StageBody>
    </>
  );
}

/** The step that is selected, if it is one. */
const selectedStep = (slip: SlipView | null) => (slip?.kind === "step" ? slip : null);

function Head({ show }: { show: string }) {
  const on = useLook((at) => at.ground);
  const print = useInterface((state) => state.print);
  const set = useInterface((state) => state.set);
  const hues = usePart("hues", (hues) => hues.length);
  const steps = usePart("ladder", (ladder) => ladder.steps.length);
  const ground = usePart("ground", (part) => part.name);
  const step = usePart("slip", (slip) => selectedStep(slip)?.key);
  const name = usePart("slip", (slip) => selectedStep(slip)?.name);
  const grounds = [
    { value: "white", words: "white" },
    { value: "black", words: "black" },
    ...(step && name ? [{ value: step, words: name }] : []),
    ...(ground !== "white" && ground !== "black" && on !== step ? [{ value: on, words: ground }] : []),
  ];
  return (
    <Toolbar title="Scales" words={`${hues} hues, ${steps} steps`} openers={<AreaOpeners />}>
      <Choice label="Ground" value={on} items={grounds} onChoose={(chosen) => look({ ground: chosen })} />
      <Choice
        label="Print"
        value={print}
        items={PRINTS.map((each) => ({ value: each, words: each }))}
        onChoose={(value) => set({ print: value })}
      />
      <Choice label="Show" value={show} items={SHOW_ITEMS} onChoose={(value) => look({ show: value })} />
    </Toolbar>
  );
}

/** What can be done with what is selected, below the sheet; or else what the sheet's marks stand for. */
function Foot({ legends }: { legends: boolean }) {
  const { put } = useWorkspace();
  const several = useChosen((state) => state.keys.length > 1);
  const { group } = useMoveHue();
  const mixed = usePart("hues", scattered);
  const step = usePart("slip", (slip) => selectedStep(slip)?.key);
  const name = usePart("slip", (slip) => selectedStep(slip)?.name);
  const byHand = usePart("slip", (slip) => Boolean(selectedStep(slip)?.pinned || selectedStep(slip)?.nudged));
  return (
    <Flex gap="18px" align="center" wrap="wrap" marginTop="8px" minHeight="28px" fontSize="12px">
      {several ? <ChosenBar /> : legends && <Legends />}
      {mixed && <ToolButton onClick={group}>Group by kind</ToolButton>}
      {!several && step && byHand && (
        <ToolButton onClick={() => void put(backEdit(step))}>{name}: back to generated</ToolButton>
      )}
    </Flex>
  );
}

function Legends() {
  const need = useLook((at) => at.need);
  const ground = usePart("ground", (part) => part.name);
  return (
    <>
      <Legend mark={<Box height="14px" borderLeft="4px solid" borderColor="fg" />}>
        where {need ?? 4.5} on {ground} begins
      </Legend>
      {need !== null && (
        <ToolButton onClick={() => look({ need: null, ground: "white" })}>
          Hatched falls short of {need} on {ground}: end
        </ToolButton>
      )}
      <Legend mark={<Box width="16px" borderTop="2px solid" borderColor="fg" />}>the hue’s own color</Legend>
      <Legend mark={<Box border="3.5px solid" borderColor="fg" />}>pinned</Legend>
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
