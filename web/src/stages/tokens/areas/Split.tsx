/** Splitting a token: which of its uses go with the new one, and what that is called. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { problemOf, type StandingPlanView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { tokenKey } from "../../../api/keys";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { useWorkspace } from "../../../workspace/hooks";
import { look } from "../../../workspace/look";

export function Split({ token, name, found }: { token: string; name: string; found: StandingPlanView }) {
  const { keep } = useWorkspace();
  const [called, setCalled] = useState(`${name}-2`);
  const [going, setGoing] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<string | null>(null);
  const toggle = (use: string) => {
    const next = new Set(going);
    if (!next.delete(use)) next.add(use);
    setGoing(next);
    setProblem(null);
  };
  const split = async () => {
    const id = newId();
    const aliases = found.tokens
      .filter((row) => going.has(`${row.token} ${row.theme}`))
      .map((row) => ({ token: row.token, theme: row.theme }));
    const pairings = found.pairings.filter((each) => going.has(each.id)).map((each) => each.id);
    try {
      await keep([edit("split_token", { token, id, name: called, place: "", pairings, aliases })]);
      look({ select: tokenKey(id) });
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  const uses = [
    ...found.tokens.map((row) => ({
      id: `${row.token} ${row.theme}`,
      words: `${row.name} is it, in ${row.theme_name}`,
    })),
    ...found.pairings,
  ];
  if (uses.length === 0) return null;
  return (
    <Box marginTop="8px" paddingTop="6px" borderTop="1px solid" borderColor="border" data-testid="split">
      <Flex gap="8px" align="center" wrap="wrap">
        <Text fontWeight="700">Split it</Text>
        <Input
          aria-label="Name of the new token"
          size="2xs"
          height="26px"
          width="220px"
          flex="none"
          borderColor="border.emphasized"
          value={called}
          autoComplete="off"
          onChange={(event) => setCalled(event.target.value)}
          onKeyDown={(event) => event.key === "Enter" && going.size > 0 && void split()}
        />
        <ToolButton disabled={going.size === 0} onClick={() => void split()}>
          {going.size === 0 ? "Split it: choose its uses" : `Split with ${going.size} of ${uses.length} uses`}
        </ToolButton>
        {problem && (
          <Text role="alert" fontWeight="700">
            {problem}
          </Text>
        )}
      </Flex>
      <Flex wrap="wrap" gap="6px" marginTop="6px">
        {uses.map((use) => (
          <Switch key={use.id} on={going.has(use.id)} onClick={() => toggle(use.id)}>
            {use.words}
          </Switch>
        ))}
      </Flex>
    </Box>
  );
}
