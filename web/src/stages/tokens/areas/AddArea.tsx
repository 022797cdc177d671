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

export function AddArea() {
  const slug = useLook((at) => at.slug);
  const seeing = useSeeing();
  const revision = usePart("head", (head) => head.revision);
  const [wish, setWish] = useState<Wish>({ set: "product" });
  const [family, setFamily] = useState<Family>("error");
  const [form, setForm] = useState<Form>("solid");
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
  const isSet = "set" in wish;
  return (
    <Area
      title="Add"
      tools={
        <>
          <Text fontSize="12px">A starter set</Text>
          {SETS.map((each) => (
            <ToolButton
              key={each.name}
              title={each.words}
              aria-pressed={isSet && wish.set === each.name}
              {...(isSet && wish.set === each.name ? { bg: "fg", color: "bg" } : {})}
              onClick={() => setWish({ set: each.name })}
            >
              {each.name}, {each.count}
            </ToolButton>
          ))}
          <Text fontSize="12px" marginLeft="8px">
            or a family of actions
          </Text>
          <Choice
            label="Family"
            value={family}
            items={FAMILIES.map((each) => ({ value: each, words: each }))}
            onChoose={(chosen) => {
              setFamily(chosen);
              setWish({ family: chosen, form });
            }}
          />
          <Choice
            label="Form"
            value={form}
            items={FORMS.map((each) => ({ value: each, words: each }))}
            onChoose={(chosen) => {
              setForm(chosen);
              setWish({ family, form: chosen });
            }}
          />
          <Choice
            label="or a state of all actions"
            value={"state" in wish ? wish.state : ""}
            otherwise="none"
            items={STATES.map((each) => ({ value: each, words: each }))}
            onChoose={(chosen) => setWish({ state: chosen })}
          />
        </>
      }
    >
      <Flex gap="24px" align="flex-start" wrap="wrap">
        <Box flex="1 1 280px" minWidth="0">
          {query.error && (
            <Text role="alert" fontWeight="700">
              {problemOf(query.error).message}
            </Text>
          )}
          {query.data && <Addition found={query.data} />}
        </Box>
        <Box flex="1 1 430px" minWidth="0">
          <ByHand />
        </Box>
      </Flex>
    </Area>
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
      <Box maxHeight="220px" overflowY="auto" tabIndex={0} role="group" aria-label="Tokens to add">
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
