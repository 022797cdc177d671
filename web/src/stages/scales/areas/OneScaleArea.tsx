/** One scale: where its source stands, what was changed by hand, and what is measured of it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Edit, HueView, OpenedView } from "../../../api/client";
import { Area } from "../../../parts/Area";
import { ByHand } from "../../../parts/ByHand";
import { Choice } from "../../../parts/Choice";
import { Held } from "../../../parts/Held";
import { Strip } from "../../../parts/Strip";
import { TextField } from "../../../parts/TextField";
import { Tool } from "../../../parts/Tool";
import { useActions, useView } from "../../../state/workspace";
import { Measures } from "./Measures";
import { Nothing } from "./Nothing";

export function OneScaleArea() {
  const opened = useView((view) => view.opened);
  const hues = useView((view) => view.hues);
  const hue = hues.find((each) => each.id === opened?.hue);
  if (!opened || !hue)
    return <Nothing title="One scale" words="Select a hue or a step: its scale opens here." />;
  return <OneScale key={hue.id} hue={hue} opened={opened} />;
}

function OneScale({ hue, opened }: { hue: HueView; opened: OpenedView }) {
  const { put, keep } = useActions();
  const slip = useView((view) => view.slip);
  const step = hue.steps.find((each) => each.key === slip?.key);
  return (
    <Area
      title={`Scale of ${hue.name}`}
      tools={
        <>
          <AnchorChoice hue={hue} />
          <Held hue={hue} />
          <Tool onClick={() => void put({ type: "duplicate_hue", hue: hue.id } as Edit)}>Duplicate</Tool>
          <Choice
            label="Gamut"
            value={GAMUTS.find((each) => each.wide === hue.wide)?.value ?? "source"}
            items={GAMUTS}
            onChoose={(value) =>
              void put({
                type: "set_wide",
                hue: hue.id,
                wide: GAMUTS.find((each) => each.value === value)?.wide ?? null,
              })
            }
          />
          {hue.pins.length > 0 && (
            <Choice
              label="Neighbours of pins"
              value={hue.smooth ? "pass" : "stay"}
              items={[
                { value: "stay", words: "stay" },
                { value: "pass", words: "pass smoothly through" },
              ]}
              onChoose={(value) =>
                void put({ type: "set_pin_neighbours", hue: hue.id, smooth: value === "pass" } as Edit)
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
            onCommit={(color) => keep([{ type: "pin_step", hue: hue.id, step: step.id, color } as Edit])}
          />
        )}
        <Box flex="1 1 300px">
          <ByHand hue={hue} />
        </Box>
      </Flex>
      <Wide hue={hue} opened={opened} />
      <Measures opened={opened} />
    </Area>
  );
}

const GAMUTS = [
  { value: "source", words: "as its source", wide: null },
  { value: "p3", words: "display-p3 too", wide: true },
  { value: "srgb", words: "sRGB alone", wide: false },
];

/** The scale in both gamuts, edge to edge: on a screen that shows no more than sRGB both rows look the same. */
function Wide({ hue, opened }: { hue: HueView; opened: OpenedView }) {
  if (opened.wide.length === 0) {
    if (hue.wide !== true) return null;
    return (
      <Text fontSize="12px" marginTop="8px">
        sRGB holds all that the curves ask for: there is nothing to put beside it in display-p3.
      </Text>
    );
  }
  const twins = opened.wide.map((step) => ({ hex: step.text, seen: step.seen, ink: "#000000" as const }));
  const gained = opened.wide.filter((step) => step.own);
  const most = Math.max(...gained.map((step) => step.gain));
  return (
    <Box marginTop="8px" fontSize="12px" data-testid="wide">
      <Strip
        colors={hue.steps}
        height={26}
        label={`${hue.name} in sRGB`}
        texts={hue.steps.map(() => "sRGB")}
      />
      <Strip
        colors={twins.map((twin, place) => ({ ...twin, ink: hue.steps[place]?.ink ?? twin.ink }))}
        height={26}
        label={`${hue.name} in display-p3`}
        texts={opened.wide.map((step) => (step.own ? `P3 +${step.gain.toFixed(3)}` : "same"))}
      />
      <Text marginTop="4px">
        {gained.length} of {opened.wide.length} steps are stronger in display-p3, by up to {most.toFixed(3)}{" "}
        of chroma at the same luminance. Both are published and both are checked.
      </Text>
    </Box>
  );
}

/** Where the hue's own color stands. */
function AnchorChoice({ hue }: { hue: HueView }) {
  const { put } = useActions();
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
  return <Choice label={`Anchor of ${hue.name}`} value={value} items={items} onChoose={choose} />;
}
