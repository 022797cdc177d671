/** Add tokens: a starter set, a family of actions, or one by hand. What would come is shown before it does. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type AdditionView, client, data, problemOf } from "../../../api/client";
import { FAMILIES, FORMS, SETS, STATES } from "../../../api/constants.generated";
import { Choice } from "../../../components/Choice";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook, useSeeing } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { ByHand } from "./ByHand";

type Family = (typeof FAMILIES)[number];
type Form = (typeof FORMS)[number];
type SetName = (typeof SETS)[number]["name"];
type State = (typeof STATES)[number];
type Wish = { set: SetName } | { family: Family; form: Form } | { state: State };
type What = "one" | "set" | "family" | "state";
const WHAT: { value: What; words: string }[] = [
  { value: "one", words: "one token" },
  { value: "set", words: "a starter set" },
  { value: "family", words: "a family of actions" },
  { value: "state", words: "a state of every action" },
];

const named = <Value extends string>(values: readonly Value[]) =>
  values.map((value) => ({ value, words: value }));

export function AddArea() {
  const first = usePart("head", (head) => (head.tokens > 0 ? "one" : "set"));
  const [what, setWhat] = useState<What>(first);
  const [set, setSet] = useState<SetName>("product");
  const [family, setFamily] = useState<Family>("error");
  const [form, setForm] = useState<Form>("solid");
  const [state, setState] = useState<State>(STATES[0]);
  const wish = { one: null, set: { set }, family: { family, form }, state: { state } }[what];
  return (
    <Area
      title="Add"
      tools={
        <>
          <Choice label="Add" value={what} items={WHAT} onChoose={setWhat} />
          {what === "set" && (
            <Choice
              label="Which"
              value={set}
              items={SETS.map((each) => ({ value: each.name, words: `${each.name}, ${each.count}` }))}
              onChoose={setSet}
            />
          )}
          {what === "family" && (
            <>
              <Choice label="Which" value={family} items={named(FAMILIES)} onChoose={setFamily} />
              <Choice label="Drawn" value={form} items={named(FORMS)} onChoose={setForm} />
            </>
          )}
          {what === "state" && (
            <Choice label="Which" value={state} items={named(STATES)} onChoose={setState} />
          )}
        </>
      }
    >
      {what === "set" && <Text fontSize="12px">{SETS.find((each) => each.name === set)?.words}</Text>}
      {wish ? <Proposed wish={wish} /> : <ByHand />}
    </Area>
  );
}

/** What a wish comes to, before it is added. */
function Proposed({ wish }: { wish: Wish }) {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const path = { params: { path: { slug } } };
  const query = useQuery({
    queryKey: ["addition", slug, revision, seeing, wish],
    queryFn: () => {
      if ("set" in wish)
        return data(client.POST("/api/systems/{slug}/token-set", { ...path, body: { ...seeing, ...wish } }));
      if ("state" in wish)
        return data(
          client.POST("/api/systems/{slug}/action-state", { ...path, body: { ...seeing, ...wish } }),
        );
      return data(client.POST("/api/systems/{slug}/family", { ...path, body: { ...seeing, ...wish } }));
    },
    placeholderData: (before) => before,
    retry: false,
  });
  if (query.error)
    return (
      <Text role="alert" fontWeight="700">
        {problemOf(query.error).message}
      </Text>
    );
  return query.data ? (
    <Addition found={query.data} />
  ) : (
    <Text fontSize="12px" role="status">
      Looking what is missing
    </Text>
  );
}

function Addition({ found }: { found: AdditionView }) {
  const { put } = useWorkspace();
  const count = found.tokens.length;
  const there = found.there > 0 ? ` ${found.there} are there already and stay as they are.` : "";
  const lacking =
    found.lacking.length > 0 ? ` ${found.lacking.length} wait for a status hue: add it in Sources.` : "";
  return (
    <Box data-testid="addition">
      <Flex gap="12px" align="center" marginBottom="6px" fontSize="12px">
        <Text flex="1">
          {count === 0 ? "Nothing is to be added." : `${count} tokens, filled by their rules.`}
          {there}
          {lacking}
        </Text>
        {count > 0 && (
          <ToolButton onClick={() => void put(...found.edits)}>
            Add {count === 1 ? "it" : `all ${count}`}
          </ToolButton>
        )}
      </Flex>
      <Box role="group" aria-label="Tokens to add">
        {found.tokens.map((token) => (
          <Flex key={token.name} fontSize="12px" minHeight="24px" align="center" gap="10px">
            <Box width="40px" alignSelf="stretch" flexShrink={0} style={{ background: token.seen }} />
            <Text flex="1 1 0" minWidth="0" truncate fontWeight="700">
              {token.name}
            </Text>
            <Text flex="1 1 0" minWidth="0" truncate>
              {token.value}
            </Text>
            <Text flex="1.6 1 0" minWidth="0" truncate color="fg.muted" title={token.words}>
              {token.words}
            </Text>
          </Flex>
        ))}
      </Box>
    </Box>
  );
}
