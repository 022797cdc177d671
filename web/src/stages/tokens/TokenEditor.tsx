/** The selected token: its name, what it stands for, and another step, token or color for it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { type Edit, problemOf, type TokenView } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { TextField } from "../../parts/TextField";
import { Tool } from "../../parts/Tool";
import { useLooking } from "../../state/looking";
import { useActions, useView } from "../../state/workspace";
import { StepPicker } from "./StepPicker";

export function TokenEditor({ token }: { token: TokenView }) {
  const view = useView((whole) => whole);
  const { keep } = useActions();
  const { look } = useLooking();
  const [problem, setProblem] = useState<string | null>(null);
  const theme = view.theme?.id ?? "";

  const put = async (edit: Edit) => {
    try {
      await keep([edit]);
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  const value = (to: unknown) => put({ type: "set_token_value", token: token.id, theme, value: to } as Edit);
  const others = view.tokens.filter((other) => other.id !== token.id);
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
          onCommit={(name) => keep([{ type: "rename_token", token: token.id, name } as Edit])}
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
              : keep([
                  {
                    type: "set_token_value",
                    token: token.id,
                    theme,
                    value: { kind: "literal", color },
                  } as Edit,
                ])
          }
        />
        <Choice
          label="Or as"
          value={token.value.token ?? ""}
          items={[
            ...(token.value.kind === "token" ? [] : [{ value: "", words: "another token" }]),
            ...others.map((other) => ({ value: other.id, words: other.name })),
          ]}
          onChoose={(chosen) => chosen && void value({ kind: "token", token: chosen })}
        />
        <Tool
          marginLeft="auto"
          onClick={() => {
            look({ select: null });
            void put({ type: "remove_token", token: token.id } as Edit);
          }}
        >
          Remove
        </Tool>
      </Flex>
      {problem && (
        <Text role="alert" fontWeight="700" marginBottom="6px">
          {problem}
        </Text>
      )}
      <Text fontSize="12px" marginBottom="4px">
        In {view.theme?.name}, <strong>{token.name}</strong> is <strong>{token.chain}</strong>. Choose another
        step:
      </Text>
      <StepPicker
        chosen={token.value.kind === "step" ? `step:${token.value.hue}/${token.value.step}` : null}
        onChoose={(hue, step) => void value({ kind: "step", hue, step })}
      />
    </Box>
  );
}
