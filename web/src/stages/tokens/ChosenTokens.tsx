/** What can be done with many tokens at once: choose them by their first word, move, keep in the house, remove. */
import { Flex, Text } from "@chakra-ui/react";
import type { TokenView } from "../../api/client";
import { edit } from "../../api/edits";
import { Choice } from "../../components/Choice";
import { ToolButton } from "../../components/ToolButton";
import { useWorkspace } from "../../workspace/hooks";

interface Chosen {
  tokens: TokenView[];
  chosen: readonly string[];
  onChoose: (ids: readonly string[]) => void;
}

const BEHIND = "behind all";

export function ChosenTokens({ tokens, chosen, onChoose }: Chosen) {
  const { put } = useWorkspace();
  const kinds = [...new Set(tokens.map(firstWord))];
  const internal = tokens.every((token) => token.internal || !chosen.includes(token.id));
  const others = tokens.filter((token) => !chosen.includes(token.id));
  const ids = [...chosen];
  return (
    <Flex
      gap="8px"
      align="center"
      wrap="wrap"
      fontSize="12px"
      minHeight="32px"
      marginTop="6px"
      role="group"
      aria-label="Chosen tokens"
    >
      <Choice
        label="Choose"
        value=""
        items={[
          { value: "", words: "by their first word" },
          ...kinds.map((kind) => ({ value: kind, words: kind })),
        ]}
        onChoose={(kind) => {
          if (kind) onChoose(tokens.flatMap((token) => (firstWord(token) === kind ? [token.id] : [])));
        }}
      />
      {chosen.length === 0 ? (
        <Text color="fg.muted">
          Shift and click choose a range, Ctrl or Cmd and click one more. Drag moves.
        </Text>
      ) : (
        <>
          <Text>
            <strong>{chosen.length}</strong> chosen
          </Text>
          <Choice
            label="Move before"
            value=""
            items={[
              { value: "", words: "another token" },
              ...others.map((token) => ({ value: token.id, words: token.name })),
              { value: BEHIND, words: BEHIND },
            ]}
            onChoose={(before) =>
              before &&
              void put(edit("move_tokens", { tokens: ids, before: before === BEHIND ? null : before }))
            }
          />
          <ToolButton
            onClick={() => void put(edit("keep_tokens_internal", { tokens: ids, internal: !internal }))}
          >
            {internal ? "Publish" : "Keep internal"}
          </ToolButton>
          <ToolButton onClick={() => void put(edit("remove_tokens", { tokens: ids }))}>
            Remove {chosen.length}
          </ToolButton>
          <ToolButton onClick={() => onChoose([])}>Clear</ToolButton>
        </>
      )}
    </Flex>
  );
}

const firstWord = (token: TokenView) => token.name.split(/[.\-_/ ]/)[0] ?? "";
