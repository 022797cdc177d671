/** One scale: where its source stands, its curves' ends, what was changed by hand, and what is measured of it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Edit, HueView, OpenedView } from "../../../api/client";
import { Area } from "../../../parts/Area";
import { ByHand } from "../../../parts/ByHand";
import { Choice } from "../../../parts/Choice";
import { Range } from "../../../parts/Range";
import { TextField } from "../../../parts/TextField";
import { Toggle } from "../../../parts/Toggle";
import { Tool } from "../../../parts/Tool";
import { useActions, useView } from "../../../state/workspace";
import { Measures } from "./Measures";
import { Nothing } from "./Nothing";

export function OneScaleArea() {
  const { opened, hues } = useView();
  const hue = hues.find((each) => each.id === opened?.hue);
  if (!opened || !hue)
    return <Nothing title="One scale" words="Select a hue or a step: its scale opens here." />;
  return <OneScale key={hue.id} hue={hue} opened={opened} />;
}

function OneScale({ hue, opened }: { hue: HueView; opened: OpenedView }) {
  const { put, keep } = useActions();
  const { slip } = useView();
  const step = hue.steps.find((each) => each.key === slip?.key);
  return (
    <Area
      title={`Scale of ${hue.name}`}
      tools={
        <>
          <AnchorChoice hue={hue} />
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
      <Ends hue={hue} opened={opened} />
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
      <Measures opened={opened} />
    </Area>
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

const ENDS = [
  {
    name: "light_taper",
    label: "Chroma at the light end",
    low: 0,
    high: 1.5,
    step: 0.05,
    places: 2,
    unit: "",
  },
  { name: "dark_taper", label: "at the dark end", low: 0, high: 1.5, step: 0.05, places: 2, unit: "" },
  {
    name: "light_drift",
    label: "Hue drift at the light end",
    low: -120,
    high: 120,
    step: 1,
    places: 0,
    unit: "°",
  },
  { name: "dark_drift", label: "at the dark end", low: -120, high: 120, step: 1, places: 0, unit: "°" },
] as const;

/** Taper of chroma and drift of hue, for all scales or for this one alone. */
function Ends({ hue, opened }: { hue: HueView; opened: OpenedView }) {
  const { put, preview } = useActions();
  const [one, setOne] = useState(hue.own_curves);
  const curves = one ? opened.curves : opened.all_curves;
  const set = curves && Object.values(curves).some((value) => value !== null);
  const edit = (name: (typeof ENDS)[number]["name"], value: number) =>
    ({
      type: "set_curves",
      hue: one ? hue.id : null,
      curves: { ...curves, [name]: value },
    }) as unknown as Edit;
  const reset = () => {
    setOne(false);
    void put({ type: "set_curves", hue: one ? hue.id : null, curves: null } as unknown as Edit);
  };
  return (
    <Flex gap="4px 18px" align="center" wrap="wrap" fontSize="12px" data-testid="ends">
      <Flex gap="0">
        <Toggle on={!one} onClick={() => setOne(false)}>
          For all scales
        </Toggle>
        <Toggle on={one} onClick={() => setOne(true)}>
          For {hue.name}
        </Toggle>
      </Flex>
      {ENDS.map(({ name, ...range }) => (
        <Range
          key={name}
          {...range}
          label={range.label}
          value={opened.ends[name]}
          width="80px"
          onChange={(value) => preview([edit(name, value)])}
          onEnd={(value) => void put(edit(name, value))}
        />
      ))}
      {set && <Tool onClick={reset}>{one && hue.own_curves ? "As all scales" : "As usual"}</Tool>}
      {hue.own_curves && !one && (
        <Text color="fg.muted">{hue.name} has curves of its own; this changes all others.</Text>
      )}
    </Flex>
  );
}
