/** A promise as a goal: the ladder is solved for it, with anchors and pins in force, or it is said what stands in the way. */

import { Flex, Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type LadderView, problemOf } from "../../../api/client";
import { Choice } from "../../../components/Choice";
import { ToolButton } from "../../../components/ToolButton";
import { usePart } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";

const AIMS = [
  { value: "3", words: "3, for parts and large text" },
  { value: "4.5", words: "4.5, for text" },
  { value: "7", words: "7, for text at AAA" },
];

export function PromiseGoal({ onSolved }: { onSolved: (ladder: LadderView) => void }) {
  const slug = useLook((at) => at.slug);
  const ladder = usePart("ladder");
  const promises = usePart("promises");
  const [aim, setAim] = useState("4.5");
  const [apart, setApart] = useState(`${promises.find((promise) => promise.aim === "4.5")?.apart ?? 1}`);
  const solving = useMutation({
    mutationFn: () =>
      data(
        client.POST("/api/systems/{slug}/promise-plan", {
          params: { path: { slug } },
          body: { aim: Number(aim), apart: Number(apart) },
        }),
      ),
    onSuccess: (plan) => onSolved(plan.ladder),
  });
  const longest = ladder.steps.filter((step) => !step.between).length - 1;
  return (
    <Flex gap="8px" align="center" wrap="wrap" fontSize="12px" data-testid="promise-goal">
      <Choice
        label="Promise"
        value={aim}
        items={AIMS}
        onChoose={(value) => {
          solving.reset();
          setAim(value);
        }}
      />
      <Choice
        label="of steps"
        value={apart}
        items={Array.from({ length: longest }, (_, place) => ({
          value: `${place + 1}`,
          words: `${place + 1} apart`,
        }))}
        onChoose={(value) => {
          solving.reset();
          setApart(value);
        }}
      />
      <ToolButton disabled={solving.isPending} onClick={() => solving.mutate()}>
        Solve the ladder
      </ToolButton>
      {(solving.data || solving.error) && (
        <Text
          width="100%"
          role="status"
          fontWeight={solving.data?.kept ? 400 : 700}
          data-testid="promise-words"
        >
          {solving.data?.words ?? problemOf(solving.error).message}
        </Text>
      )}
    </Flex>
  );
}
