/** What can be done with several chosen steps, and with the scales that they belong to. */
import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Edit, HueView } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { Tool } from "../../parts/Tool";
import { backEdit, huesOf, useChosen } from "../../state/chosen";
import { copyChosen } from "../../state/copyChosen";
import { useInterface } from "../../state/interface";
import { useLooking } from "../../state/looking";
import { useActions, useView } from "../../state/workspace";

export function ChosenBar() {
  const { keys, choose } = useChosen();
  const every = useView((view) => view.hues);
  const { put, tell } = useActions();
  const { slug } = useLooking();
  const { notation } = useInterface();
  const [copied, setCopied] = useState("");
  const ids = huesOf(keys);
  const hues = every.filter((hue) => ids.includes(hue.id));
  const steps = hues.flatMap((hue) =>
    hue.steps.filter((step) => keys.includes(step.key)).map((step) => ({ ...step, held: hue.held })),
  );
  const fixed = steps.filter((step) => step.held || step.pinned || step.anchor).length;
  const byHand = steps.filter((step) => step.pinned || step.nudged);
  const held = hues.every((hue) => hue.held);
  const copy = async (names: boolean) => {
    const done = await copyChosen(slug, notation, names).catch((thrown: Error) => {
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
      <Tool onClick={() => void copy(false)}>Copy values</Tool>
      <Tool onClick={() => void copy(true)}>Copy with names</Tool>
      {byHand.length > 0 && (
        <Tool onClick={() => void put(...byHand.map((step) => backEdit(step.key)))}>Back to generated</Tool>
      )}
      <AnchorOf hues={hues} />
      <Tool onClick={() => void put({ type: "hold_hues", hues: ids, held: !held })}>
        {held ? "Let go" : "Hold"} {counted(hues.length, "scale")}
      </Tool>
      <Tool onClick={() => choose([])}>Clear</Tool>
      <Text aria-live="polite">{copied}</Text>
    </Flex>
  );
}

const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? "" : "s"}`;

/** One anchor for all chosen scales. */
function AnchorOf({ hues }: { hues: HueView[] }) {
  const ladder = useView((view) => view.ladder);
  const { put } = useActions();
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
    const anchor =
      chosen === "nearest" || chosen === "guide"
        ? { mode: chosen, step: null }
        : { mode: "label", step: chosen };
    void put(...hues.map((hue) => ({ type: "set_anchor", hue: hue.id, anchor }) as Edit));
  };
  return <Choice label="Anchor" value={value} items={items} onChoose={choose} />;
}
