/** One token by hand: a name, and the step that it stands for; or a state for every family of actions that lacks it. */
import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { problemOf } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { stepKey, tokenKey } from "../../../api/keys";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey, useDraft } from "../../../util/drafts";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook } from "../../../workspace/look";
import { StepPicker } from "../StepPicker";

export function ByHand() {
  const theme = usePart("head", (head) => head.theme?.id ?? "");
  const slug = useLook((at) => at.slug);
  const { keep } = useWorkspace();
  const [name, setName] = useDraft(draftKey("token-name", slug));
  const [step, setStep] = useState<{ hue: string; step: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const add = async () => {
    if (!step) {
      setProblem("Choose the step that it stands for.");
      return;
    }
    const id = newId();
    try {
      await keep([edit("add_token", { id, name, theme, value: { kind: "step", ...step } })]);
      look({ select: tokenKey(id) });
      setName("");
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  return (
    <Box data-testid="add-token">
      <Flex gap="8px" align="flex-end" marginBottom="6px">
        <Field.Root flex="1" gap="2px" invalid={problem !== null}>
          <Field.Label fontSize="12px" fontWeight="400" color="fg.muted">
            Its name, parts joined by periods
          </Field.Label>
          <Input
            size="2xs"
            height="26px"
            fontSize="13px"
            borderColor="border.emphasized"
            placeholder="text.on-board"
            value={name}
            autoComplete="off"
            onChange={(event) => {
              setName(event.target.value);
              setProblem(null);
            }}
            onKeyDown={(event) => event.key === "Enter" && void add()}
          />
        </Field.Root>
        <ToolButton height="26px" onClick={() => void add()}>
          Add it
        </ToolButton>
      </Flex>
      {problem && (
        <Text role="alert" fontWeight="700" fontSize="12px" marginBottom="6px">
          {problem}
        </Text>
      )}
      <Text fontSize="12px" color="fg.muted" marginBottom="4px">
        The step that it stands for:
      </Text>
      <StepPicker
        chosen={step ? stepKey(step.hue, step.step) : null}
        onChoose={(hue, chosen) => {
          setStep({ hue, step: chosen });
          setProblem(null);
        }}
      />
    </Box>
  );
}
