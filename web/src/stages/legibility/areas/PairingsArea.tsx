/** The declared pairings: proposed from the tokens, added and removed by hand. */
import { Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type PairingView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { PairingsTable } from "./PairingsTable";
import { StandsOn } from "./StandsOn";

type Use = PairingView["use"];
const USES: { value: Use; words: string }[] = [
  { value: "body", words: "body text" },
  { value: "large", words: "large text" },
  { value: "part", words: "a part or graphic" },
  { value: "decoration", words: "decoration" },
];

export function PairingsArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const tokens = usePart("tokens");
  const holding = usePart("pairings", (all) => all.filter((pairing) => pairing.holds === true).length);
  const exempt = usePart("pairings", (all) => all.filter((pairing) => pairing.needed === null).length);
  const pairings = usePart("pairings");
  const { put } = useWorkspace();
  const [wish, setWish] = useState({ foreground: "", ground: "", use: "body" as Use });
  const proposals = useQuery({
    queryKey: ["pairing-proposals", slug, revision],
    queryFn: () => data(client.GET("/api/systems/{slug}/pairing-proposals", { params: { path: { slug } } })),
  });
  const proposed = proposals.data ?? [];
  const items = (words: string) => [
    { value: "", words },
    ...tokens.map((token) => ({ value: token.id, words: token.name })),
  ];
  const chosen = wish.foreground !== "" && wish.ground !== "";
  const declared = pairings.some(
    (each) => each.foreground === wish.foreground && each.ground === wish.ground && each.use === wish.use,
  );
  const refused =
    chosen && wish.foreground === wish.ground
      ? "A token cannot stand on itself."
      : declared
        ? "That is declared already, for this use."
        : "";
  const declare = () => {
    void put(edit("add_pairings", { pairings: [{ id: newId(), ...wish }] }));
    setWish({ ...wish, foreground: "" });
  };
  return (
    <Area
      title="Pairings"
      tools={
        <>
          <Choice
            label="Declare"
            value={wish.foreground}
            items={items("a token")}
            onChoose={(foreground) => setWish({ ...wish, foreground })}
          />
          <Choice
            label="on"
            value={wish.ground}
            items={items("a ground")}
            onChoose={(ground) => setWish({ ...wish, ground })}
          />
          <Choice
            label="as"
            value={wish.use}
            items={USES}
            onChoose={(use) => setWish({ ...wish, use: use })}
          />
          {chosen && !refused && <ToolButton onClick={declare}>Declare it</ToolButton>}
        </>
      }
      actions={
        proposed.length > 0 && (
          <ToolButton
            title={proposed.map((each) => each.words).join("\n")}
            onClick={() => void put(edit("add_pairings", { pairings: proposed.map((each) => each.pairing) }))}
          >
            Declare {proposed.length} that the tokens call for
          </ToolButton>
        )
      }
    >
      <Flex gap="12px" fontSize="12px" marginBottom="4px">
        <Text>
          {pairings.length} declared: {holding} hold, {exempt} are exempt.
        </Text>
        {refused && (
          <Text role="alert" fontWeight="700">
            {refused}
          </Text>
        )}
      </Flex>
      <StandsOn />
      <PairingsTable />
    </Area>
  );
}
