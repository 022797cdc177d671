/** Ladder: its labels and the lightness aimed at by each, for all scales or for one, tried on the sheet before it is kept. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data } from "../../../api/client";
import { LEAST_STEPS } from "../../../api/constants.generated";
import { Choice } from "../../../components/Choice";
import { safeWords } from "../../../components/safeWords";
import { ToolButton } from "../../../components/ToolButton";
import { usePart } from "../../../workspace/hooks";
import { useSelectedHue } from "../../../workspace/useSelectedHue";
import { Area } from "../../shared/Area";
import { LadderPlot } from "./LadderPlot";
import { LadderRows } from "./LadderRows";
import { Losses } from "./Losses";
import { PromiseGoal } from "./PromiseGoal";
import { everyNth, LABELINGS, relabeled, spreadEvenly } from "./shaping";
import { TakeLadder } from "./TakeLadder";
import { useLadder } from "./useLadder";
import { useSafeRung } from "./useSafeRung";

const ALL = "all";
const AS_ALL = "as all";

export function LadderArea() {
  const all = usePart("ladder");
  const selected = useSelectedHue();
  const ofOne = usePart("scale_detail", (detail) => detail?.ladder);
  const [one, setOne] = useState(false);
  const hue = one ? selected : null;
  const shaping = useLadder(hue?.id ?? null);
  const ready = useQuery({
    queryKey: ["ladders"],
    queryFn: () => data(client.GET("/api/ladders", {})),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const [looked, setAt] = useState<number | null>(null);
  const present = hue ? (ofOne ?? all) : all;
  const draft = shaping.draft ?? shaping.asDraft(present);
  const at = looked !== null && looked < draft.steps.length ? looked : null;
  const safe = useSafeRung(hue?.id ?? null, draft, at);
  const choices = (ready.data ?? []).map((ladder) => ({
    value: ladder.name,
    words: `${ladder.name}, ${ladder.steps.length}`,
  }));
  const own = !choices.some((choice) => choice.value === draft.name);
  const chooseReady = (name: string) => {
    const ladder = ready.data?.find((each) => each.name === name);
    if (name === AS_ALL) shaping.followAll();
    else if (ladder) shaping.change(shaping.asDraft(ladder));
  };
  const nths = [2, 3, 4].filter((nth) => everyNth(draft, nth).steps.length >= LEAST_STEPS);
  return (
    <Area
      title={hue ? `Ladder of ${hue.name}` : "Ladder"}
      tools={
        <>
          <Choice
            label="For"
            value={one ? "one" : ALL}
            items={[
              { value: ALL, words: "all scales" },
              ...(selected ? [{ value: "one", words: selected.name }] : []),
            ]}
            onChoose={(value) => setOne(value === "one")}
          />
          <Choice
            label="Ready made"
            value={own ? "own" : draft.name}
            items={[
              ...choices,
              ...(own ? [{ value: "own", words: `own, ${draft.steps.length}` }] : []),
              ...(hue ? [{ value: AS_ALL, words: "as all scales" }] : []),
            ]}
            onChoose={chooseReady}
          />
          <Choice
            label="Labels"
            value=""
            items={[{ value: "", words: "as they are" }, ...LABELINGS]}
            onChoose={(value) => value && shaping.change(relabeled(draft, value))}
          />
          <Choice
            label="Take"
            value=""
            items={[
              { value: "", words: "every step" },
              ...nths.map((nth) => ({
                value: `${nth}`,
                words: `every ${nth === 2 ? "2nd" : nth === 3 ? "3rd" : "4th"}`,
              })),
            ]}
            onChoose={(nth) => nth && shaping.change(everyNth(draft, Number(nth)))}
          />
          <ToolButton onClick={() => shaping.change(spreadEvenly(draft))}>Even out</ToolButton>
        </>
      }
      actions={<TakeLadder shaping={shaping} />}
    >
      <Flex gap="24px" align="flex-start">
        <LadderRows draft={draft} present={present} problem={shaping.problem} onChange={shaping.change} />
        <Box flex="1 1 0" minWidth="0">
          {!hue && <PromiseGoal onSolved={(ladder) => shaping.change(shaping.asDraft(ladder))} />}
          <LadderPlot draft={draft} onChange={shaping.change} at={at} safe={safe} onAt={setAt} />
          {safe && at !== null && (
            <Text fontSize="12px" marginBottom="6px" data-testid="safe-rung-words">
              {draft.steps[at]?.label}: {safeWords(safe, 1, "")}
            </Text>
          )}
          <Losses losses={shaping.losses} problem={shaping.problem?.message ?? null} />
        </Box>
      </Flex>
    </Area>
  );
}
