/** The steps of a ladder, one a row: label, lightness aimed at, whether it is internal, and steps put in or taken out. */
import { Flex, Input, Text } from "@chakra-ui/react";
import type { LadderView, Problem } from "../../../api/client";
import { MOST_STEPS } from "../../../api/constants.generated";
import { Check } from "../../../components/Check";
import { NumberField } from "../../../components/NumberField";
import { ToolButton } from "../../../components/ToolButton";
import { focusSoon, found } from "../../../util/focus";
import { useWorkspace } from "../../../workspace/hooks";
import { changed, inserted, noRoom, without } from "./shaping";
import type { Draft } from "./useLadder";

interface Props {
  draft: Draft;
  present: LadderView;
  problem: Problem | null;
  onChange: (draft: Draft) => void;
}

export function LadderRows({ draft, present, problem, onChange }: Props) {
  const at = /steps\.(\d+)\.(label|lightness)/.exec(problem?.errors[0]?.field ?? "");
  // A draft may hold a ready-made ladder, of which only the present one knows what uses it.
  const uses = new Map(present.steps.map((step) => [step.id, step.uses]));
  const full = draft.steps.length >= MOST_STEPS;
  const { say } = useWorkspace();
  const insert = (after: number, words: string) => (
    <ToolButton
      disabled={full}
      aria-label={words}
      title={words}
      width="24px"
      paddingInline="0"
      onClick={() => {
        const why = noRoom(draft, after);
        if (why) say(why);
        else onChange(inserted(draft, after));
      }}
    >
      +
    </ToolButton>
  );
  return (
    <Flex direction="column" gap="2px" flexShrink={0} fontSize="12px" data-testid="ladder-rows">
      <Flex gap="8px" align="center">
        <Text width="92px">Label</Text>
        <Text width="62px">L* aimed at</Text>
        <Text width="60px" title="An internal step is not published">
          Internal
        </Text>
        <Text width="58px">Used by</Text>
        {insert(-1, "A step beyond the light end")}
      </Flex>
      {draft.steps.map((step, place) => {
        const wrong = at !== null && Number(at[1]) === place ? at[2] : null;
        return (
          <Flex key={step.key} gap="8px" align="center" data-ladder-step={step.label}>
            <Input
              aria-label={`Label of step ${place + 1}`}
              aria-invalid={wrong === "label"}
              size="2xs"
              height="24px"
              width="92px"
              fontFamily="mono"
              fontSize="12px"
              borderColor={wrong === "label" ? "fg" : "border.emphasized"}
              borderWidth={wrong === "label" ? "2px" : "1px"}
              marginLeft={step.between ? "12px" : "0"}
              marginRight={step.between ? "-12px" : "0"}
              value={step.label}
              onChange={(event) => onChange(changed(draft, step.key, { label: event.target.value }))}
            />
            <Flex marginLeft={step.between ? "12px" : "0"} marginRight={step.between ? "-12px" : "0"}>
              <NumberField
                label={`L* aimed at by ${step.label}`}
                value={step.lightness}
                low={0}
                high={100}
                step={1}
                places={1}
                onCommit={(lightness) => onChange(changed(draft, step.key, { lightness }))}
              />
            </Flex>
            <Flex width="60px" justify="center">
              <Check
                aria-label={`${step.label} is internal`}
                checked={step.internal}
                onChange={() => onChange(changed(draft, step.key, { internal: !step.internal }))}
              />
            </Flex>
            <Text
              width="58px"
              color={uses.get(step.id) ? "fg" : "fg.muted"}
              title="Tokens that stand on this step, on any scale, in any theme"
            >
              {words(uses.get(step.id))}
            </Text>
            {insert(
              place,
              place === draft.steps.length - 1
                ? "A step beyond the dark end"
                : `A step between ${step.label} and ${draft.steps[place + 1]?.label}`,
            )}
            <ToolButton
              disabled={draft.steps.length <= 3}
              aria-label={`Take out ${step.label}`}
              data-take-out={step.key}
              onClick={() => {
                const next = draft.steps[place + 1] ?? draft.steps[place - 1];
                onChange(without(draft, step.key));
                if (next) focusSoon(found(`[data-take-out="${CSS.escape(next.key)}"]`));
              }}
            >
              Take out
            </ToolButton>
          </Flex>
        );
      })}
    </Flex>
  );
}

const words = (uses: number | undefined) =>
  uses === undefined ? "new" : uses === 0 ? "nothing" : `${uses} ${uses === 1 ? "token" : "tokens"}`;
