/** What uses this: everything that stands on the selected hue, step or token, before it is changed or removed. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { client, data, type Edit, problemOf } from "../../../api/client";
import { edit } from "../../../api/edits";
import { tokenKey } from "../../../api/keys";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook, useSeeing } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { Split } from "./Split";

export function StandingArea() {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const select = useLook((at) => at.select);
  const revision = usePart("head", (head) => head.revision);
  const name = usePart("slip", (slip) => slip?.name ?? null);
  const { put } = useWorkspace();
  const query = useQuery({
    queryKey: ["standing", slug, revision, seeing, select],
    queryFn: () =>
      data(
        client.GET("/api/systems/{slug}/dependents", {
          params: { path: { slug }, query: { key: select ?? "", ...seeing } },
        }),
      ),
    enabled: select !== null,
    retry: false,
  });
  const found = query.data;
  if (select === null)
    return (
      <Area title="What stands on it">
        <Text fontSize="12px">
          Select a hue, a step or a token: then everything that stands on it is told.
        </Text>
      </Area>
    );
  const moves: Edit[] = (found?.tokens ?? []).flatMap((row) =>
    row.instead_value
      ? [edit("set_token_value", { token: row.token, theme: row.theme, value: row.instead_value })]
      : [],
  );
  const nothing =
    found && found.tokens.length + found.through.length + found.others.length + found.pairings.length === 0;
  return (
    <Area
      title="What stands on it"
      tools={<Text fontSize="12px">{name}</Text>}
      actions={
        moves.length > 0 && (
          <ToolButton onClick={() => void put(...moves)}>
            Put {moves.length === 1 ? "it" : `all ${moves.length}`} on the nearest step
          </ToolButton>
        )
      }
    >
      <Box data-testid="standing" fontSize="12px">
        {query.error && <Text role="alert">{problemOf(query.error).message}</Text>}
        {nothing && <Text>Nothing stands on it: it can go.</Text>}
        {found?.tokens.map((row) => (
          <Flex key={`${row.token} ${row.theme}`} gap="10px" align="center" minHeight="26px">
            <Flex alignSelf="stretch" flexShrink={0}>
              <Box width="32px" style={{ background: row.seen }} />
              {row.instead && <Box width="32px" style={{ background: row.instead.seen }} />}
            </Flex>
            <button
              type="button"
              aria-label={`${row.name} in ${row.theme_name}`}
              style={{ fontWeight: 700, minHeight: 24, textDecoration: "underline" }}
              onClick={() => look({ select: tokenKey(row.token), theme: row.theme })}
            >
              {row.name}
            </button>
            <Text>
              is {row.words} in {row.theme_name}
            </Text>
            {row.instead_value && (
              <ToolButton
                onClick={() =>
                  void put(
                    edit("set_token_value", {
                      token: row.token,
                      theme: row.theme,
                      value: row.instead_value as NonNullable<typeof row.instead_value>,
                    }),
                  )
                }
              >
                Let it be {row.instead_words}
              </ToolButton>
            )}
          </Flex>
        ))}
        {found && select.startsWith("token:") && (
          <Split key={select} token={select.slice("token:".length)} name={name ?? ""} found={found} />
        )}
        {found && found.through.length > 0 && (
          <Text marginTop="6px">
            Through these: {found.through.slice(0, 12).join(", ")}
            {found.through.length > 12 && ` and ${found.through.length - 12} more`}.
          </Text>
        )}
        {found?.others.map((words) => (
          <Text key={words}>{words}</Text>
        ))}
      </Box>
    </Area>
  );
}
