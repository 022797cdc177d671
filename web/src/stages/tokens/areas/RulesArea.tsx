/** Fill again: what the rules would make of the selected token, of its kind, or of all, before it is done. */
import { Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type Edit, problemOf } from "../../../api/client";
import { Choice } from "../../../components/Choice";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook, useSeeing } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { MovedTokens } from "./MovedTokens";

export function RulesArea() {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const select = useLook((at) => at.select);
  const revision = usePart("head", (head) => head.revision);
  const theme = usePart("head", (head) => head.theme);
  const tokens = usePart("tokens");
  const { put } = useWorkspace();
  const [kind, setKind] = useState("all");
  const selected = tokens.find((token) => token.key === select);
  const kinds = [...new Set(tokens.map(({ name }) => name.split(".")[0] ?? ""))];
  const chosen = tokens
    .filter((token) =>
      kind === "all" ? true : kind === "selected" ? token === selected : token.name.split(".")[0] === kind,
    )
    .map((token) => token.id);
  const query = useQuery({
    queryKey: ["refill", slug, revision, seeing, theme?.id, chosen],
    queryFn: () =>
      data(
        client.POST("/api/systems/{slug}/fill-plan", {
          params: { path: { slug } },
          body: { ...seeing, theme: theme?.id ?? "", tokens: chosen },
        }),
      ),
    enabled: theme !== null && chosen.length > 0,
    placeholderData: (before) => before,
    retry: false,
  });
  const plan = query.data;
  return (
    <Area
      title="Fill again"
      tools={
        <Choice
          label="Of"
          value={kind}
          items={[
            { value: "all", words: "all tokens" },
            ...(selected ? [{ value: "selected", words: selected.name }] : []),
            ...kinds.map((each) => ({ value: each, words: each })),
          ]}
          onChoose={setKind}
        />
      }
      actions={
        plan?.edit && (
          <ToolButton onClick={() => void put(plan.edit as Edit)}>
            Fill {plan.moved.length} in {theme?.name}
          </ToolButton>
        )
      }
    >
      <Text fontSize="12px" data-testid="refill">
        {query.error
          ? problemOf(query.error).message
          : !plan
            ? ""
            : plan.edit
              ? `${plan.moved.length} tokens would be another color in ${theme?.name}. What you chose by hand is among them: choose fewer to keep it.`
              : `In ${theme?.name} these tokens are as their rules fill them.`}
      </Text>
      {plan && <MovedTokens moved={plan.moved} />}
    </Area>
  );
}
