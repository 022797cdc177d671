/** Method: one hue by all five, edge to edge, so that one chooses by eye; the settings of the chosen one below. */

import { Flex, Text } from "@chakra-ui/react";
import type { Method, ScaleDetail } from "../../../api/client";
import { edit } from "../../../api/edits";
import { Strip } from "../../../components/Strip";
import { Toggle } from "../../../components/Toggle";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import type { Making } from "../../../workspace/known";
import { Area } from "../../shared/Area";
import { type MethodChange, MethodSettings } from "./MethodSettings";
import { Nothing } from "./Nothing";
import { useScope } from "./useScope";

const TALL = 40;
const LOW = 30;

export function MethodArea() {
  const detail = usePart("scale_detail");
  const hues = usePart("hues");
  if (!detail)
    return <Nothing title="Method" words="Select a hue or a step: its scale is shown by every method." />;
  const hue = hues.find((each) => each.id === detail.hue);
  return <Methods key={detail.hue} detail={detail} own={hue?.own_method ?? false} />;
}

function Methods({ detail, own }: { detail: ScaleDetail; own: boolean }) {
  const { put, putFrom, keep } = useWorkspace();
  const { hues, scope, choice, setScope } = useScope({ hue: { id: detail.hue, name: detail.name }, own });
  const methods = usePart("methods");
  const settingsIn = (from: ScaleDetail) => (hues ? from.settings : from.all_settings) as Method;
  const settings = settingsIn(detail);
  const edits =
    (change: MethodChange): Making =>
    ({ scale_detail: newest }) => {
      const before = settingsIn(newest?.hue === detail.hue ? newest : detail);
      const method = { ...before, ...change(before) };
      return (hues ?? [null]).map((hue) => edit("set_method", { hue, method }));
    };
  const set = (change: MethodChange) => putFrom(edits(change));
  const chosen = methods.find((each) => each.method === settings.name);
  const inForce = detail.settings.name;
  return (
    <Area
      title="Method"
      tools={
        <>
          {choice}
          {own && (
            <ToolButton
              onClick={() => {
                setScope("all");
                void put(edit("set_method", { hue: detail.hue, method: null }));
              }}
            >
              {detail.name} as all scales
            </ToolButton>
          )}
          <Text fontSize="12px" color="fg.muted">
            {own && scope === "all"
              ? `${detail.name} has a method of its own; this changes all others.`
              : `Shown on ${detail.name}.`}
          </Text>
        </>
      }
    >
      {methods.map((each) => (
        <Flex key={each.method} align="center" gap="10px" data-method={each.method}>
          <Toggle
            on={each.method === settings.name}
            width="140px"
            flexShrink={0}
            onClick={() => each.method !== settings.name && void set(() => ({ name: each.method }))}
          >
            {each.words}
          </Toggle>
          <Strip
            colors={each.steps}
            height={each.method === inForce ? TALL : LOW}
            label={`${detail.name} by ${each.words}`}
            texts={each.steps.map((step) => step.hex)}
          />
          <Text width="112px" flexShrink={0} fontSize="12px" color="fg.muted">
            {each.falls}
          </Text>
        </Flex>
      ))}
      <Text fontSize="12px" marginTop="8px" data-testid="method-sentence">
        {chosen?.sentence}
      </Text>
      <MethodSettings
        detail={detail}
        settings={settings}
        texts={
          hues
            ? { ...detail.end_texts, ground: detail.ground_text }
            : { ...detail.all_end_texts, ground: detail.all_ground_text }
        }
        inForce={settings.name === inForce}
        onChange={set}
        onKeep={(change) => keep(edits(change))}
      />
    </Area>
  );
}
