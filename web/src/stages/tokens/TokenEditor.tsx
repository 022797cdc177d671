/** The selected token: its name, what it stands for, and another step, token or color for it. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { type Edit, problemOf, type TokenView } from "../../api/client";
import { edit } from "../../api/edits";
import { stepKey } from "../../api/keys";
import { Choice } from "../../components/Choice";
import { TextField } from "../../components/TextField";
import { ToolButton } from "../../components/ToolButton";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { look } from "../../workspace/look";
import { StepPicker } from "./StepPicker";

type TokenValue = Parameters<typeof edit<"set_token_value">>[1]["value"];

export function TokenEditor({ token }: { token: TokenView }) {
  const tokens = usePart("tokens");
  const themeName = usePart("head", (head) => head.theme?.name);
  const theme = usePart("head", (head) => head.theme?.id ?? "");
  const { keep } = useWorkspace();
  const [problem, setProblem] = useState<string | null>(null);

  const put = async (change: Edit) => {
    try {
      await keep([change]);
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  const become = (value: TokenValue) => put(edit("set_token_value", { token: token.id, theme, value }));
  const others = tokens.filter((other) => other.id !== token.id);
  return (
    <Box
      padding="10px 20px 14px"
      bg="bg"
      color="fg"
      borderBlock="2px solid"
      borderColor="fg"
      data-testid="token-editor"
    >
      <Flex gap="12px" align="flex-end" wrap="wrap" marginBottom="8px">
        <TextField
          label="Name"
          value={token.name}
          width="180px"
          onCommit={(name) => keep([edit("rename_token", { token: token.id, name })])}
        />
        <TextField
          label="Or a color of its own"
          value={token.value.kind === "literal" ? token.hex : ""}
          placeholder="#FFFFFF"
          mono
          width="150px"
          onCommit={(color) =>
            color.trim() === ""
              ? Promise.resolve()
              : keep([edit("set_token_value", { token: token.id, theme, value: { kind: "literal", color } })])
          }
        />
        <Choice
          label="Or as"
          value={token.value.token ?? ""}
          items={[
            ...(token.value.kind === "token" ? [] : [{ value: "", words: "another token" }]),
            ...others.map((other) => ({ value: other.id, words: other.name })),
          ]}
          onChoose={(chosen) => chosen && void become({ kind: "token", token: chosen })}
        />
        <ToolButton
          marginLeft="auto"
          onClick={() => {
            look({ select: null });
            void put(edit("remove_token", { token: token.id }));
          }}
        >
          Remove
        </ToolButton>
      </Flex>
      {problem && (
        <Text role="alert" fontWeight="700" marginBottom="6px">
          {problem}
        </Text>
      )}
      <Text fontSize="12px" marginBottom="4px">
        In {themeName}, <strong>{token.name}</strong> is <strong>{token.chain}</strong>. Choose another step:
      </Text>
      <StepPicker
        chosen={token.value.kind === "step" ? stepKey(token.value.hue ?? "", token.value.step ?? "") : null}
        onChoose={(hue, step) => void become({ kind: "step", hue, step })}
      />
    </Box>
  );
}
