/** Method: one hue by all five, edge to edge, so that one chooses by eye; the settings of the chosen one below. */
import { Flex, Text } from "@chakra-ui/react";
import type { Edit, OpenedView, MethodView as Settings } from "../../../api/client";
import { Area } from "../../../parts/Area";
import { Strip } from "../../../parts/Strip";
import { Toggle } from "../../../parts/Toggle";
import { Tool } from "../../../parts/Tool";
import { useActions, useView } from "../../../state/workspace";
import { MethodSettings } from "./MethodSettings";
import { Nothing } from "./Nothing";
import { useScope } from "./useScope";

const TALL = 40;
const LOW = 30;

export function MethodArea() {
  const opened = useView((view) => view.opened);
  const hues = useView((view) => view.hues);
  if (!opened)
    return <Nothing title="Method" words="Select a hue or a step: its scale is shown by every method." />;
  const hue = hues.find((each) => each.id === opened.hue);
  return <Methods key={opened.hue} opened={opened} own={hue?.own_method ?? false} />;
}

function Methods({ opened, own }: { opened: OpenedView; own: boolean }) {
  const { put, keep } = useActions();
  const { hues, scope, choice, setScope } = useScope({ hue: { id: opened.hue, name: opened.name }, own });
  const settings = (hues ? opened.settings : opened.all_settings) as unknown as Settings;
  const edits = (change: Partial<Settings>) =>
    (hues ?? [null]).map((hue): Edit => ({ type: "set_method", hue, method: { ...settings, ...change } }));
  const set = (change: Partial<Settings>) => void put(...edits(change));
  const chosen = opened.compared.find((each) => each.method === settings.name);
  const inForce = opened.settings.name;
  return (
    <Area
      title="Method"
      tools={
        <>
          {choice}
          {own && (
            <Tool
              onClick={() => {
                setScope("all");
                void put({ type: "set_method", hue: opened.hue, method: null } as unknown as Edit);
              }}
            >
              {opened.name} as all scales
            </Tool>
          )}
          <Text fontSize="12px" color="fg.muted">
            {own && scope === "all"
              ? `${opened.name} has a method of its own; this changes all others.`
              : `Shown on ${opened.name}.`}
          </Text>
        </>
      }
    >
      {opened.compared.map((each) => (
        <Flex key={each.method} align="center" gap="10px" data-method={each.method}>
          <Toggle
            on={each.method === settings.name}
            width="140px"
            flexShrink={0}
            onClick={() => each.method !== settings.name && set({ name: each.method })}
          >
            {each.words}
          </Toggle>
          <Strip
            colors={each.steps}
            height={each.method === inForce ? TALL : LOW}
            label={`${opened.name} by ${each.words}`}
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
        opened={opened}
        settings={settings}
        inForce={settings.name === inForce}
        onChange={set}
        onKeep={(change) => keep(edits(change))}
      />
    </Area>
  );
}
