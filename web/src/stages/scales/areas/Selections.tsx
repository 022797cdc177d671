/** Named selections: some of the colors for one audience, kept from what is chosen on the sheet. */

import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { problemOf } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { stepRef } from "../../../api/keys";
import { ToolButton } from "../../../components/ToolButton";
import { useChosen } from "../../../workspace/chosen";
import { usePart, useWorkspace } from "../../../workspace/hooks";

export function Selections() {
  const selections = usePart("selections", (part) => part.named);
  const { put } = useWorkspace();
  const choose = useChosen((state) => state.choose);
  return (
    <Box flex="1.2 1 0" minWidth="0" data-testid="selections">
      <Text fontWeight="700">Selections for one audience</Text>
      {selections.map((kept) => (
        <Flex key={kept.id} gap="8px" align="center" marginTop="6px">
          <Text truncate title={kept.name}>
            <strong>{kept.name}</strong> {kept.keys.length} colors
            {kept.missing > 0 && `, ${kept.missing} not there now`}
          </Text>
          <ToolButton marginLeft="auto" aria-label={`Show ${kept.name}`} onClick={() => choose(kept.keys)}>
            Show
          </ToolButton>
          <ToolButton
            aria-label={`Remove ${kept.name}`}
            onClick={() => void put(edit("remove_selection", { selection: kept.id }))}
          >
            Remove
          </ToolButton>
        </Flex>
      ))}
      <Keep />
    </Box>
  );
}

function Keep() {
  const keys = useChosen((state) => state.keys);
  const { keep } = useWorkspace();
  const [name, setName] = useState("");
  const [refused, setRefused] = useState<string | null>(null);
  const save = async () => {
    try {
      const steps = keys.map(stepRef);
      await keep([edit("keep_selection", { id: newId(), name, steps })]);
      setName("");
      setRefused(null);
    } catch (thrown) {
      setRefused(problemOf(thrown).message);
    }
  };
  return (
    <>
      <Flex gap="8px" align="center" marginTop="6px">
        <Input
          aria-label="Name of the selection"
          placeholder="Name, for example content editors"
          size="2xs"
          height="26px"
          width="210px"
          borderColor="border.emphasized"
          value={name}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === "Enter" && void save()}
        />
        <ToolButton onClick={() => void save()}>Keep the {keys.length} chosen</ToolButton>
      </Flex>
      <Text role="status" marginTop="4px" fontWeight={refused ? "700" : "400"}>
        {refused ??
          (keys.length === 0
            ? "Choose steps on the sheet with Shift or Ctrl. A selection gets files of its own in each release."
            : "")}
      </Text>
    </>
  );
}
