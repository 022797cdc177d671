/** A new token: a name for a purpose, and the step it stands for. */

import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { problemOf } from "../../api/client";
import { edit } from "../../api/edits";
import { newId } from "../../api/ids";
import { stepKey, tokenKey } from "../../api/keys";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { look } from "../../workspace/look";
import { StepPicker } from "./StepPicker";

export function AddToken({ onDone }: { onDone: () => void }) {
  const theme = usePart("head", (head) => head.theme?.id ?? "");
  const { keep } = useWorkspace();
  const [name, setName] = useState("");
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
      onDone();
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  return (
    <Box padding="10px 20px 14px" borderBlock="2px solid" borderColor="fg" data-testid="add-token">
      <Flex gap="12px" align="flex-end" marginBottom="8px">
        <Field.Root width="220px" gap="2px" invalid={problem !== null}>
          <Field.Label fontSize="12px" fontWeight="400" color="fg.muted">
            Name, parts joined by periods
          </Field.Label>
          <Input
            size="2xs"
            height="26px"
            fontSize="13px"
            borderColor="border.emphasized"
            placeholder="text.on-board"
            value={name}
            autoComplete="off"
            onChange={(event) => setName(event.target.value)}
            onKeyDown={(event) => event.key === "Enter" && void add()}
          />
        </Field.Root>
        <ToolButton height="26px" onClick={() => void add()}>
          Add
        </ToolButton>
        <ToolButton height="26px" onClick={onDone}>
          Close
        </ToolButton>
        {problem && (
          <Text role="alert" fontWeight="700">
            {problem}
          </Text>
        )}
      </Flex>
      <StepPicker
        chosen={step ? stepKey(step.hue, step.step) : null}
        onChoose={(hue, chosen) => setStep({ hue, step: chosen })}
      />
    </Box>
  );
}
