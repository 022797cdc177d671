/** Fewer: what nothing uses, what can hardly be told apart, a smaller ladder, a cap, and selections for one audience. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, type FewerView, problemOf } from "../../../api/client";
import { LEAST_STEPS, MOST_COLORS } from "../../../api/constants.generated";
import { edit } from "../../../api/edits";
import { stepKey, stepRef } from "../../../api/keys";
import { NumberField } from "../../../components/NumberField";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { Losses } from "./Losses";
import { Selections } from "./Selections";
import { TakeLadder } from "./TakeLadder";
import { useLadder } from "./useLadder";

const SHOWN = 5;

export function FewerArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const most = usePart("ladder", (ladder) => ladder.steps.length);
  const [steps, setSteps] = useState<number | null>(null);
  const shaping = useLadder(null);
  const query = useQuery({
    queryKey: ["fewer", slug, revision, steps],
    queryFn: () =>
      data(
        client.POST("/api/systems/{slug}/smaller-ladder", { params: { path: { slug } }, body: { steps } }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });
  const fewer = query.data;
  return (
    <Area
      title="Fewer"
      tools={
        <Text fontSize="12px" color="fg.muted">
          {fewer ? told(fewer) : query.error ? problemOf(query.error).message : ""}
        </Text>
      }
      actions={<TakeLadder shaping={shaping} />}
    >
      {fewer && (
        <Flex gap="28px" align="flex-start" fontSize="12px">
          <Box flex="1 1 0" minWidth="0">
            <Cap fewer={fewer} />
            <Unused fewer={fewer} />
            <Alike fewer={fewer} />
          </Box>
          <Box flex="1 1 0" minWidth="0" data-testid="smaller">
            <Text fontWeight="700">A smaller ladder</Text>
            <Flex gap="8px" align="center" marginBlock="6px">
              <Text>Steps</Text>
              <NumberField
                label="Steps of the smaller ladder"
                value={fewer.steps}
                low={LEAST_STEPS}
                high={most}
                step={1}
                places={0}
                width="48px"
                onCommit={setSteps}
              />
              <ToolButton
                disabled={fewer.gone.length === 0}
                onClick={() => shaping.change(shaping.asDraft(fewer.ladder))}
              >
                Try it on the sheet
              </ToolButton>
            </Flex>
            {fewer.gone.length > 0 ? (
              <Text>
                Without {fewer.gone.join(", ")}: {fewer.colors_then} colors instead of {fewer.colors}. The
                others keep their label and lightness.
              </Text>
            ) : (
              <Text>Nothing has to go. Choose a number of steps to see what would move.</Text>
            )}
            <Losses losses={fewer.losses} problem={shaping.problem?.message ?? null} />
            <UnusedByHue fewer={fewer} />
          </Box>
          <Box flex="1 1 0" minWidth="0">
            <Selections />
            <Reserve fewer={fewer} />
          </Box>
        </Flex>
      )}
    </Area>
  );
}

const told = ({ colors, cap }: FewerView) =>
  `${colors} colors are published${cap === null ? "" : colors > cap ? `, ${colors - cap} over the cap of ${cap}` : `, the cap is ${cap}`}.`;

/** How many colors there may be. */
function Cap({ fewer }: { fewer: FewerView }) {
  const { put } = useWorkspace();
  return (
    <Flex gap="8px" align="center" marginBottom="8px">
      <Text fontWeight="700">Cap</Text>
      {fewer.cap === null ? (
        <ToolButton onClick={() => void put(edit("set_cap", { cap: fewer.colors }))}>Set one</ToolButton>
      ) : (
        <>
          <NumberField
            label="Colors at most"
            value={fewer.cap}
            low={1}
            high={MOST_COLORS}
            step={1}
            places={0}
            width="56px"
            onCommit={(cap) => put(edit("set_cap", { cap }))}
          />
          <Text>colors at most</Text>
          <ToolButton onClick={() => void put(edit("set_cap", { cap: null }))}>No cap</ToolButton>
        </>
      )}
    </Flex>
  );
}

/** Labels that no token stands on, on any scale. */
function Unused({ fewer }: { fewer: FewerView }) {
  const ladder = usePart("ladder");
  const { put } = useWorkspace();
  const unused = ladder.steps.filter((step) => fewer.unused.includes(step.id));
  const keepIn = () =>
    void put(
      edit("set_ladder", {
        ladder: {
          name: "own",
          steps: ladder.steps.map(({ uses: _, ...step }) => ({
            ...step,
            internal: step.internal || fewer.unused.includes(step.id),
          })),
        },
      }),
    );
  return (
    <Box marginBottom="8px" data-testid="unused">
      <Text fontWeight="700">Used by no token</Text>
      {unused.length === 0 ? (
        <Text>Every published label is used on some scale.</Text>
      ) : (
        <Flex gap="8px" align="center" wrap="wrap">
          <Text>{unused.map((step) => step.label).join(", ")}</Text>
          <ToolButton onClick={keepIn}>Make them internal</ToolButton>
        </Flex>
      )}
    </Box>
  );
}

/** What nothing stands on, scale by scale: labels of a scale's own among them. */
function UnusedByHue({ fewer }: { fewer: FewerView }) {
  return (
    <Box marginTop="10px" data-testid="unused-by-hue">
      <Text fontWeight="700">Used by nothing, scale by scale</Text>
      {fewer.unused_by_hue.map((each) => (
        <Text key={each.hue}>
          <strong>{each.name}</strong> {each.labels}
          {each.own ? ", on a ladder of its own" : ""}
        </Text>
      ))}
      {fewer.unused_by_hue.length === 0 && <Text>Every step of every scale is used.</Text>}
    </Box>
  );
}

/** Colors that are kept though nothing uses them yet, each with its reason. */
function Reserve({ fewer }: { fewer: FewerView }) {
  const { keep, put } = useWorkspace();
  const step = usePart("slip", (slip) => (slip?.kind === "step" ? slip.key : null));
  const name = usePart("slip", (slip) => slip?.name ?? "");
  const there = step !== null && fewer.reserve.some((each) => stepKey(each.hue, each.step) === step);
  return (
    <Box marginTop="10px" data-testid="reserve">
      <Text fontWeight="700">In reserve</Text>
      {fewer.reserve.map((each) => (
        <Flex key={`${each.hue}/${each.step}`} gap="8px" align="center" minHeight="26px">
          <Text>
            <strong>{each.name}</strong> {each.reason}
          </Text>
          <ToolButton
            aria-label={`${each.name}: no longer in reserve`}
            onClick={() => void put(edit("set_reserve", { hue: each.hue, step: each.step, reason: null }))}
          >
            No longer
          </ToolButton>
        </Flex>
      ))}
      {step && !there ? (
        <TextField
          key={step}
          label={`Keep ${name} in reserve, because`}
          value=""
          width="260px"
          onCommit={(reason) => keep([edit("set_reserve", { ...stepRef(step), reason })])}
        />
      ) : (
        !there && (
          <Text color="fg.muted">Select a step of the sheet to keep it though nothing uses it yet.</Text>
        )
      )}
    </Box>
  );
}

/** Neighbors on one scale that are taken for the same color. */
function Alike({ fewer }: { fewer: FewerView }) {
  return (
    <Box data-testid="alike">
      <Text fontWeight="700">Hardly different</Text>
      {fewer.alike.slice(0, SHOWN).map((words) => (
        <Text key={words}>{words}</Text>
      ))}
      {fewer.alike.length > SHOWN && <Text>and {fewer.alike.length - SHOWN} more pairs.</Text>}
      {fewer.alike.length === 0 && <Text>All neighbors can be told apart.</Text>}
    </Box>
  );
}
