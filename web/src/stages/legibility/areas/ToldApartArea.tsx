/** The told-apart sets: how far apart their colors stay under every vision, over all severities. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { Area } from "../../shared/Area";
import { ToldApartTable } from "./ToldApartTable";

export function ToldApartArea() {
  const sets = usePart("told_apart");
  return (
    <Area title="What looks alike">
      {sets.length === 0 && (
        <Text fontSize="12px">
          No set yet: statuses and chart series come with a starter set; others are made of the tokens chosen
          here.
        </Text>
      )}
      <NewSet />
      {sets.map((set) => (
        <ToldApartTable key={set.id} set={set} />
      ))}
      <Links />
    </Area>
  );
}

/** Links within text: a ratio between the two, where nothing but color tells them apart. */
function Links() {
  const links = usePart("by_color");
  const tokens = usePart("tokens");
  const byId = new Map(tokens.map((token) => [token.id, token]));
  if (links.length === 0) return null;
  return (
    <Box as="section" aria-label="Told by color alone" marginTop="16px" fontSize="12px">
      <Text fontWeight="700" marginBottom="4px">
        Told by color alone
      </Text>
      {links.map((link) => (
        <Flex key={link.one} gap="10px" align="center" minHeight="26px">
          <Box width="22px" height="18px" style={{ background: byId.get(link.one)?.seen }} />
          <Box
            width="22px"
            height="18px"
            marginLeft="-10px"
            style={{ background: byId.get(link.other)?.seen }}
          />
          <Text fontWeight={link.holds ? "400" : "700"}>{link.sentence}</Text>
        </Flex>
      ))}
      <Text color="fg.muted">
        In the specimen every status stands beside a word, and links are underlined. On your own pages a
        person has to look.
      </Text>
    </Box>
  );
}

/** What a set asks for, unless it is said otherwise. */
const THRESHOLD = 10;

/** A set of one's own: token by token, then kept under their first words. */
function NewSet() {
  const tokens = usePart("tokens");
  const { put } = useWorkspace();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const members = tokens.filter((token) => chosen.includes(token.id));
  const keep = () => {
    const name = members
      .map((token) => token.name)
      .join(", ")
      .slice(0, 80);
    void put(edit("keep_told_apart", { id: newId(), name, tokens: [...chosen], threshold: THRESHOLD }));
    setChosen([]);
  };
  return (
    <Flex gap="8px" align="center" wrap="wrap" fontSize="12px">
      <Choice
        label="Also tell apart"
        value=""
        items={[
          { value: "", words: "a token" },
          ...tokens
            .filter((token) => !chosen.includes(token.id))
            .map((token) => ({ value: token.id, words: token.name })),
        ]}
        onChoose={(id) => id && setChosen([...chosen, id])}
      />
      {members.length > 0 && <Text>{members.map((token) => token.name).join(", ")}</Text>}
      {members.length > 1 && <ToolButton onClick={keep}>Keep this set</ToolButton>}
      {members.length > 0 && <ToolButton onClick={() => setChosen([])}>Clear</ToolButton>}
    </Flex>
  );
}
