/** Scales: one row a hue, one column a label, edge to edge; the ladder and its promises above. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Edit, HueView } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { Tool } from "../../parts/Tool";
import { Toolbar } from "../../parts/Toolbar";
import { PRINTS, type Print, useInterface } from "../../state/interface";
import { useLooking } from "../../state/looking";
import { useActions, useView } from "../../state/workspace";
import { Promises } from "./Promises";
import { ScaleSheet } from "./ScaleSheet";

const LADDERS: Record<string, string> = { usual: "usual, 9", long: "long, 11", fine: "fine, 13" };

export function ScalesStage() {
  const view = useView();
  const { put } = useActions();
  const { looking, look } = useLooking();
  const { print, set } = useInterface();
  const step = view.slip?.kind === "step" ? view.slip : null;
  const grounds = [
    { value: "white", words: "white" },
    { value: "black", words: "black" },
    ...(step ? [{ value: step.key, words: step.name }] : []),
    ...(view.ground_name !== "white" && view.ground_name !== "black" && looking.ground !== step?.key
      ? [{ value: looking.ground ?? "white", words: view.ground_name }]
      : []),
  ];
  const hue = view.hues.find((each) => each.id === view.slip?.hue);
  return (
    <>
      <Toolbar
        title="Scales"
        words={`${view.hues.length} hues on the ${view.ladder.name} ladder of ${view.ladder.steps.length}`}
      >
        <Choice
          label="Ground"
          value={looking.ground ?? "white"}
          items={grounds}
          onChoose={(ground) => look({ ground })}
        />
        <Choice
          label="Print"
          value={print}
          items={PRINTS.map((each) => ({ value: each, words: each }))}
          onChoose={(value) => set({ print: value as Print })}
        />
        <Choice
          label="Ladder"
          value={view.ladder.name}
          items={view.ladder.choices.map((name) => ({ value: name, words: LADDERS[name] ?? name }))}
          onChoose={(ladder) => void put({ type: "set_ladder", ladder } as Edit)}
        />
      </Toolbar>
      <Box flex="1" minHeight="0" overflow="auto" paddingInline="20px" paddingBottom="10px">
        <Promises />
        <ScaleSheet />
        <Flex gap="18px" align="center" wrap="wrap" marginTop="8px" minHeight="28px" fontSize="12px">
          <Legend mark={<Box width="4px" height="14px" bg="fg" outline="1px solid" outlineColor="bg" />}>
            where 4.5 on {view.ground_name} begins
          </Legend>
          <Legend mark={<Box width="16px" height="2px" bg="fg" />}>the hue’s own color</Legend>
          <Legend mark={<Box width="7px" height="7px" bg="fg" />}>pinned</Legend>
          {hue && <AnchorChoice hue={hue} put={put} />}
          {step?.pinned && (
            <Tool
              onClick={() =>
                void put({
                  type: "pin_step",
                  hue: hue?.id ?? "",
                  step: stepOf(step.key),
                  color: null,
                } as Edit)
              }
            >
              {step.name}: back to generated
            </Tool>
          )}
        </Flex>
      </Box>
    </>
  );
}

const stepOf = (key: string) => key.split("/").at(-1) ?? "";

function Legend({ mark, children }: { mark: React.ReactNode; children: React.ReactNode }) {
  return (
    <Flex align="center" gap="8px">
      {mark}
      <Text>{children}</Text>
    </Flex>
  );
}

/** Where the selected hue's own color stands. */
function AnchorChoice({ hue, put }: { hue: HueView; put: (edit: Edit) => Promise<void> }) {
  const items = [
    { value: "nearest", words: "nearest label" },
    { value: "guide", words: "no step: guide only" },
    ...hue.steps.map((step) => ({ value: step.id, words: step.label })),
  ];
  const value = hue.anchor_mode === "label" ? (hue.anchor_step ?? "") : hue.anchor_mode;
  const choose = (chosen: string) => {
    const anchor =
      chosen === "nearest" || chosen === "guide"
        ? { mode: chosen, step: null }
        : { mode: "label", step: chosen };
    void put({ type: "set_anchor", hue: hue.id, anchor } as Edit);
  };
  return (
    <Flex marginLeft="auto">
      <Choice label={`Anchor of ${hue.name}`} value={value} items={items} onChoose={choose} />
    </Flex>
  );
}
