/** The pattern of the scale tokens: all names as they would be, and why they cannot. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, problemOf } from "../../../api/client";
import { CASES } from "../../../api/constants.generated";
import { edit } from "../../../api/edits";
import { Choice } from "../../../components/Choice";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";

type Case = (typeof CASES)[number]["value"];

export function ScaleNames() {
  const slug = useLook((at) => at.slug);
  const kept = usePart("head", (head) => head.scale_pattern);
  const keptCase = usePart("head", (head) => head.scale_case);
  const published = usePart("head", (head) => head.scales_published);
  const { keep, put } = useWorkspace();
  const [typed, setTyped] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Case | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const pattern = typed ?? kept;
  const style = chosen ?? keptCase;
  const { answer: plan } = useLatest({ pattern, case: style }, (body) =>
    data(client.POST("/api/systems/{slug}/scale-names", { params: { path: { slug } }, body })),
  );
  const same = pattern === kept && style === keptCase;
  const commit = async () => {
    if (same) return;
    try {
      await keep([edit("set_scale_pattern", { pattern, case: style })]);
      setTyped(null);
      setChosen(null);
      setProblem(null);
    } catch (thrown) {
      setProblem(problemOf(thrown).message);
    }
  };
  return (
    <Box data-testid="scale-names" fontSize="12px">
      <Flex gap="6px" align="center" wrap="wrap">
        <Text>Scale tokens</Text>
        <Input
          aria-label="Pattern of the scale tokens"
          size="2xs"
          height="26px"
          width="150px"
          flex="none"
          fontFamily="mono"
          borderColor="border.emphasized"
          value={pattern}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => event.key === "Enter" && void commit()}
        />
        <Choice
          label="Case"
          of="of scale tokens"
          value={style}
          items={[...CASES]}
          onChoose={(value) => setChosen(value)}
        />
        <ToolButton disabled={same || (plan?.problems.length ?? 0) > 0} onClick={() => void commit()}>
          Name them so
        </ToolButton>
        <Switch
          on={published}
          title="Developers get semantic tokens; scale tokens only where you say so"
          onClick={() => void put(edit("publish_scales", { published: !published }))}
        >
          {published ? "Published" : "Internal: developers do not get them"}
        </Switch>
      </Flex>
      {[...(plan?.problems ?? []), ...(problem ? [problem] : [])].map((words) => (
        <Text key={words} role="alert" fontWeight="700" marginTop="4px">
          {words}
        </Text>
      ))}
      <Box marginTop="6px" fontFamily="mono" role="group" aria-label="All names of scale tokens">
        {plan?.scales.map((scale) => (
          <Text key={scale.hue} truncate title={scale.names.join(", ")}>
            {scale.names.join(" ")}
          </Text>
        ))}
      </Box>
    </Box>
  );
}
