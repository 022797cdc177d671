/** A new token: a name for a purpose, and the step it stands for. */
import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { type Edit, problemOf } from "../../api/client";
import { Tool } from "../../parts/Tool";
import { useLooking } from "../../state/looking";
import { useActions, useView } from "../../state/workspace";
import { StepPicker } from "./StepPicker";

export function AddToken({ onDone }: { onDone: () => void }) {
  const view = useView((whole) => whole);
  const { keep } = useActions();
  const { look } = useLooking();
  const [name, setName] = useState("");
  const [step, setStep] = useState<{ hue: string; step: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const add = async () => {
    if (!step) {
      setProblem("Choose the step that it stands for.");
      return;
    }
    const value = { kind: "step", ...step };
    try {
      const kept = await keep([{ type: "add_token", name, theme: view.theme?.id ?? "", value } as Edit]);
      const made = kept?.tokens.find((token) => token.name === name);
      if (made) look({ select: made.key });
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
        <Tool height="26px" onClick={() => void add()}>
          Add
        </Tool>
        <Tool height="26px" onClick={onDone}>
          Close
        </Tool>
        {problem && (
          <Text role="alert" fontWeight="700">
            {problem}
          </Text>
        )}
      </Flex>
      <StepPicker
        chosen={step ? `step:${step.hue}/${step.step}` : null}
        onChoose={(hue, chosen) => setStep({ hue, step: chosen })}
      />
    </Box>
  );
}
