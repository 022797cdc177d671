/** One scale: where its source stands, what was changed by hand, and what is measured of it. */

import { Box, Flex, Text } from "@chakra-ui/react";
import type { HueView, ScaleDetail, StepView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { Strip } from "../../../components/Strip";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { Area } from "../../shared/Area";
import { ByHand } from "../../shared/ByHand";
import { Held } from "../../shared/Held";
import { anchorOf } from "../anchors";
import { Measures } from "./Measures";
import { Nothing } from "./Nothing";

export function OneScaleArea() {
  const detail = usePart("scale_detail");
  const scales = usePart("scales");
  const hues = usePart("hues");
  const hue = hues.find((each) => each.id === detail?.hue);
  const steps = scales.find((each) => each.hue === detail?.hue)?.steps;
  if (!detail || !hue || !steps)
    return <Nothing title="One scale" words="Select a hue or a step: its scale opens here." />;
  return <OneScale key={hue.id} hue={hue} steps={steps} detail={detail} />;
}

interface Props {
  hue: HueView;
  steps: StepView[];
  detail: ScaleDetail;
}

function OneScale({ hue, steps, detail }: Props) {
  const { put, keep } = useWorkspace();
  const slip = usePart("slip");
  const step = steps.find((each) => each.key === slip?.key);
  return (
    <Area
      title={`Scale of ${hue.name}`}
      tools={
        <>
          <AnchorChoice hue={hue} steps={steps} />
          <Held hue={hue} />
          <ToolButton onClick={() => void put(edit("duplicate_hue", { hue: hue.id, id: newId() }))}>
            Duplicate
          </ToolButton>
          <Choice
            label="Gamut"
            value={GAMUTS.find((each) => each.wide === hue.wide)?.value ?? "source"}
            items={GAMUTS}
            onChoose={(value) =>
              void put(
                edit("set_wide", {
                  hue: hue.id,
                  wide: GAMUTS.find((each) => each.value === value)?.wide ?? null,
                }),
              )
            }
          />
          {hue.pins.length > 0 && (
            <Choice
              label="Neighbors of pins"
              value={hue.smooth ? "pass" : "stay"}
              items={[
                { value: "stay", words: "stay" },
                { value: "pass", words: "pass smoothly through" },
              ]}
              onChoose={(value) =>
                void put(edit("set_pin_neighbours", { hue: hue.id, smooth: value === "pass" }))
              }
            />
          )}
        </>
      }
    >
      <Flex marginTop="8px" gap="16px" align="flex-end" wrap="wrap">
        {step && (
          <TextField
            label={`Pin ${step.label} at, in any notation`}
            value={step.hex}
            width="190px"
            mono
            onCommit={(color) => keep([edit("pin_step", { hue: hue.id, step: step.id, color })])}
          />
        )}
        <Box flex="1 1 300px">
          <ByHand hue={hue} />
        </Box>
      </Flex>
      <Wide hue={hue} steps={steps} detail={detail} />
      <Measures detail={detail} />
    </Area>
  );
}

const GAMUTS = [
  { value: "source", words: "as its source", wide: null },
  { value: "p3", words: "display-p3 too", wide: true },
  { value: "srgb", words: "sRGB alone", wide: false },
];

/** The scale in both gamuts, edge to edge: on a screen that shows no more than sRGB both rows look the same. */
function Wide({ hue, steps, detail }: Props) {
  if (detail.wide.length === 0) {
    if (hue.wide !== true) return null;
    return (
      <Text fontSize="12px" marginTop="8px">
        sRGB holds all that the curves ask for: there is nothing to put beside it in display-p3.
      </Text>
    );
  }
  const twins = detail.wide.map((step) => ({ hex: step.text, seen: step.seen, ink: "#000000" as const }));
  const gained = detail.wide.filter((step) => step.own);
  const most = Math.max(...gained.map((step) => step.gain));
  return (
    <Box marginTop="8px" fontSize="12px" data-testid="wide">
      <Strip colors={steps} height={26} label={`${hue.name} in sRGB`} texts={steps.map(() => "sRGB")} />
      <Strip
        colors={twins.map((twin, place) => ({ ...twin, ink: steps[place]?.ink ?? twin.ink }))}
        height={26}
        label={`${hue.name} in display-p3`}
        texts={detail.wide.map((step) => (step.own ? `P3 +${step.gain.toFixed(3)}` : "same"))}
      />
      <Text marginTop="4px">
        {gained.length} of {detail.wide.length} steps are stronger in display-p3, by up to {most.toFixed(3)}{" "}
        of chroma at the same luminance. Both are published and both are checked.
      </Text>
    </Box>
  );
}

/** Where the hue's own color stands. */
function AnchorChoice({ hue, steps }: { hue: HueView; steps: StepView[] }) {
  const { put } = useWorkspace();
  const items = [
    { value: "nearest", words: "nearest label" },
    { value: "guide", words: "no step: guide only" },
    ...steps.map((step) => ({ value: step.id, words: step.label })),
  ];
  const value = hue.anchor_mode === "label" ? (hue.anchor_step ?? "") : hue.anchor_mode;
  const choose = (chosen: string) => {
    void put(edit("set_anchor", { hue: hue.id, anchor: anchorOf(chosen) }));
  };
  return <Choice label={`Anchor of ${hue.name}`} value={value} items={items} onChoose={choose} />;
}
