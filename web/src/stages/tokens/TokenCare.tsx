/** What is said of a token: what it is, how it is used, whether it leaves the house, whether it is on its way out. */
import { Flex, Text } from "@chakra-ui/react";
import type { TokenView } from "../../api/client";
import { edit } from "../../api/edits";
import { Choice } from "../../components/Choice";
import { Switch } from "../../components/Switch";
import { TextField } from "../../components/TextField";
import { draftKey } from "../../util/drafts";
import { usePart, useWorkspace } from "../../workspace/hooks";
import { useLook } from "../../workspace/look";

export function TokenCare({ token, rule }: { token: TokenView; rule: string }) {
  const { keep, put } = useWorkspace();
  const tokens = usePart("tokens");
  const slug = useLook((at) => at.slug);
  const deprecate = (replacement: string | null, reason: string) =>
    edit("deprecate_token", { token: token.id, deprecated: { replacement, reason } });
  const describe = (said: { note?: string; usage?: string }) =>
    keep([edit("describe_token", { token: token.id, note: said.note ?? null, usage: said.usage ?? null })]);
  return (
    <Flex gap="10px" align="flex-end" wrap="wrap" marginTop="10px" data-testid="token-care">
      <TextField
        label="What it is"
        draft={draftKey(`token ${token.id} note`, slug)}
        value={token.note}
        grow
        onCommit={(note) => describe({ note })}
      />
      <TextField
        label="How it is used"
        draft={draftKey(`token ${token.id} usage`, slug)}
        value={token.usage}
        grow
        onCommit={(usage) => describe({ usage })}
      />
      <Switch
        on={!token.internal}
        title="What is internal never leaves the house, nor its name"
        onClick={() =>
          void put(edit("keep_tokens_internal", { tokens: [token.id], internal: !token.internal }))
        }
      >
        {token.internal ? "Internal: developers do not get it" : "Published"}
      </Switch>
      <Switch
        on={token.deprecated}
        onClick={() =>
          void put(
            token.deprecated
              ? edit("deprecate_token", { token: token.id, deprecated: null })
              : deprecate(null, ""),
          )
        }
      >
        Deprecated
      </Switch>
      {token.deprecated && (
        <>
          <Choice
            label="Instead"
            value={token.replacement ?? ""}
            items={[
              { value: "", words: "nothing" },
              ...tokens
                .filter((other) => other.id !== token.id)
                .map((other) => ({ value: other.id, words: other.name })),
            ]}
            onChoose={(chosen) => void put(deprecate(chosen || null, token.reason))}
          />
          <TextField
            label="Why"
            draft={draftKey(`token ${token.id} reason`, slug)}
            value={token.reason}
            grow
            onCommit={(reason) => keep([deprecate(token.replacement, reason)])}
          />
        </>
      )}
      {rule && (
        <Text fontSize="12px" color="fg.muted" flexBasis="100%">
          Rule: {rule}
        </Text>
      )}
    </Flex>
  );
}
