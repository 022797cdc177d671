/** What can be done with several chosen steps, and with the scales that they belong to. */

import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { HueView } from "../../api/client";
import { edit } from "../../api/edits";
import { huesOf } from "../../api/keys";
import { Choice } from "../../components/Choice";
import { ToolButton } from "../../components/ToolButton";
import { backEdit, useChosen } from "../../workspace/chosen";
import { type CopyForm, copyColors } from "../../workspace/copyColors";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { useLook } from "../../workspace/look";
import { anchorOf } from "./anchors";

export function ChosenBar() {
  const { keys, choose } = useChosen();
  const every = usePart("hues");
  const scales = usePart("scales");
  const { put, tell } = useWorkspace();
  const slug = useLook((at) => at.slug);
  const { notation } = useInterface();
  const [copied, setCopied] = useState("");
  const ids = huesOf(keys);
  const hues = every.filter((hue) => ids.includes(hue.id));
  const steps = scales.flatMap((scale) => {
    const held = hues.some((hue) => hue.id === scale.hue && hue.held);
    return scale.steps.filter((step) => keys.includes(step.key)).map((step) => ({ ...step, held }));
  });
  const fixed = steps.filter((step) => step.held || step.pinned || step.anchor).length;
  const byHand = steps.filter((step) => step.pinned || step.nudged);
  const held = hues.every((hue) => hue.held);
  const copy = async (form: CopyForm) => {
    const done = await copyColors(slug, keys, notation, form).catch((thrown: Error) => {
      tell({ words: thrown.message, actions: [] });
      return false;
    });
    setCopied(done ? `${keys.length} copied` : "");
  };
  return (
    <Flex gap="8px" align="center" wrap="wrap" fontSize="12px" role="group" aria-label="What is chosen">
      <Text>
        <strong>{counted(steps.length, "step")}</strong> of {counted(hues.length, "scale")} chosen
        {fixed > 0 && `, ${fixed} fixed`}
      </Text>
      <ToolButton onClick={() => void copy("values")}>Copy values</ToolButton>
      <ToolButton title="A name, a tab and a value a line" onClick={() => void copy("rows")}>
        Copy as rows
      </ToolButton>
      <ToolButton
        title="An SVG: one named rectangle a color, one named group a hue"
        onClick={() => void copy("shapes")}
      >
        Copy as shapes
      </ToolButton>
      {byHand.length > 0 && (
        <ToolButton onClick={() => void put(...byHand.map((step) => backEdit(step.key)))}>
          Back to generated
        </ToolButton>
      )}
      <AnchorOf hues={hues} />
      <ToolButton onClick={() => void put(edit("hold_hues", { hues: ids, held: !held }))}>
        {held ? "Let go" : "Hold"} {counted(hues.length, "scale")}
      </ToolButton>
      <ToolButton onClick={() => choose([])}>Clear</ToolButton>
      <Text aria-live="polite">{copied}</Text>
    </Flex>
  );
}

const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? "" : "s"}`;

/** One anchor for all chosen scales. */
function AnchorOf({ hues }: { hues: HueView[] }) {
  const ladder = usePart("ladder");
  const { put } = useWorkspace();
  const placed = new Set(
    hues.map((hue) => (hue.anchor_mode === "label" ? hue.anchor_step : hue.anchor_mode)),
  );
  const value = placed.size === 1 ? ([...placed][0] ?? "") : "several";
  const items = [
    { value: "nearest", words: "nearest label" },
    { value: "guide", words: "no step: guide only" },
    ...ladder.steps.map((step) => ({ value: step.id, words: step.label })),
  ];
  const choose = (chosen: string) => {
    const anchor = anchorOf(chosen);
    void put(...hues.map((hue) => edit("set_anchor", { hue: hue.id, anchor })));
  };
  return <Choice label="Anchor" value={value} items={items} onChoose={choose} />;
}
