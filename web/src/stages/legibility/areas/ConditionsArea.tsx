/** Viewing conditions: who reads, on what, in which light; and which declared pairings no longer hold then. */
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { ConditionView, TokenView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { NumberField } from "../../../components/NumberField";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import type { Making } from "../../../workspace/known";
import { Area } from "../../shared/Area";
import { BEGINNINGS, PARTS, type Quantities } from "./conditions";

export function ConditionsArea() {
  const conditions = usePart("conditions");
  const { put } = useWorkspace();
  const [chosen, setChosen] = useState<string | null>(null);
  const shown = conditions.find((each) => each.id === chosen) ?? conditions[0];
  const add = (words: string) => {
    const id = newId();
    const begun = BEGINNINGS.find((each) => each.words === words);
    if (!begun) return;
    const names = conditions.map((each) => each.name);
    let name = words;
    for (let number = 2; names.includes(name); number++) name = `${words} ${number}`;
    setChosen(id);
    void put(edit("keep_condition", { id, name, quantities: begun.quantities }));
  };
  return (
    <Area
      title="Readers and light"
      tools={
        <>
          {conditions.map((each) => (
            <ToolButton
              key={each.id}
              aria-pressed={each.id === shown?.id}
              onClick={() => setChosen(each.id)}
              fontWeight={each.id === shown?.id ? "700" : "400"}
            >
              {each.name}: {each.lost.length} of {each.total}
            </ToolButton>
          ))}
          <Choice
            label="Add"
            value=""
            items={[
              { value: "", words: "a condition" },
              ...BEGINNINGS.map(({ words }) => ({ value: words, words })),
            ]}
            onChoose={add}
          />
        </>
      }
    >
      {shown ? (
        <Shown key={shown.id} condition={shown} />
      ) : (
        <Text fontSize="12px">
          Add a condition, such as a display in sunlight: it is applied to all declared pairings, and what no
          longer holds is listed. The standard’s own thresholds suppose a white of 80 cd/m² with 4 cd/m² of
          stray light.
        </Text>
      )}
    </Area>
  );
}

function Shown({ condition }: { condition: ConditionView }) {
  const tokens = usePart("tokens");
  const { put, putFrom, keep } = useWorkspace();
  const { id, name } = condition;
  const quantities = condition.quantities as Quantities;
  /** From how it is when the edit's turn comes: of two quantities put one after the other both stay. */
  const kept =
    (change: Partial<Quantities>, called?: string): Making =>
    ({ conditions }) => {
      const now = conditions?.find((each) => each.id === id) ?? condition;
      const whole = { ...(now.quantities as Quantities), ...change };
      return [edit("keep_condition", { id, name: called ?? now.name, quantities: whole })];
    };
  const set = (change: Partial<Quantities>) => putFrom(kept(change));
  const byId = new Map(tokens.map((token) => [token.id, token]));
  return (
    <Grid
      templateColumns="minmax(0, 1.1fr) minmax(0, 1fr)"
      gap="24px"
      fontSize="12px"
      data-testid="condition"
    >
      <Box>
        <Flex gap="8px" align="flex-end" marginBottom="6px" wrap="wrap">
          <TextField label="Name" value={name} width="190px" onCommit={(called) => keep(kept({}, called))} />
          <Choice
            label="Medium"
            value={quantities.medium}
            items={[
              { value: "display", words: "a display" },
              { value: "paper", words: "print, in grayscale too" },
            ]}
            onChoose={(medium) => void set({ medium: medium })}
          />
          <ToolButton onClick={() => void put(edit("remove_condition", { condition: condition.id }))}>
            Remove
          </ToolButton>
        </Flex>
        {PARTS.filter((part) => !part.medium || part.medium === quantities.medium).map((part) => (
          <Box key={part.title} borderTop="1px solid" borderColor="border" paddingBlock="4px">
            <Flex gap="6px 14px" align="center" wrap="wrap">
              <Text fontWeight="700" width="52px">
                {part.title}
              </Text>
              {part.quantities.map((each) => (
                <Flex key={each.name} gap="4px" align="center">
                  <Text>{each.words}</Text>
                  <NumberField
                    label={`${part.title}: ${each.words}, ${each.unit}`}
                    value={quantities[each.name]}
                    low={each.low}
                    high={each.high}
                    step={each.step}
                    places={each.places}
                    width="74px"
                    onCommit={(value) => set({ [each.name]: value })}
                  />
                  <Text color="fg.muted">{each.unit}</Text>
                </Flex>
              ))}
            </Flex>
            <Text color="fg.muted">{part.model}</Text>
          </Box>
        ))}
      </Box>
      <Lost condition={condition} byId={byId} />
    </Grid>
  );
}

function Lost({ condition, byId }: { condition: ConditionView; byId: Map<string, TokenView> }) {
  const { lost, total, name } = condition;
  return (
    <Box>
      <Text fontWeight="700" marginBottom="4px" aria-live="polite">
        {lost.length === 0
          ? `In ${name} all ${total} declared pairings hold.`
          : `In ${name} ${lost.length} of ${total} declared pairings no longer hold.`}
      </Text>
      <Box role="group" aria-label="What no longer holds">
        {lost.map((each) => {
          const front = byId.get(each.foreground);
          const ground = byId.get(each.ground);
          return (
            <Flex key={each.foreground + each.ground} gap="8px" align="center" minHeight="30px">
              <Box
                data-sample
                width="52px"
                textAlign="center"
                fontWeight="700"
                style={{ color: front?.seen, background: ground?.seen }}
              >
                12 min
              </Box>
              <Box flex="1" minWidth="0">
                <Text truncate>
                  {front?.name} on {ground?.name} reads {each.left} there; {each.needed} is needed
                  {each.usually ? "" : ", and it falls short anyway"}.
                </Text>
                {each.helps && <Text color="fg.muted">{each.helps}</Text>}
              </Box>
            </Flex>
          );
        })}
      </Box>
    </Box>
  );
}
