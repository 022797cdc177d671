/** Names and places: under which names of the code tokens go out, what stands in fixed places. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { Choice } from "../../../components/Choice";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { focusSoon, found } from "../../../util/focus";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { Area } from "../../shared/Area";
import { Names } from "./Names";
import { Places } from "./Places";
import { PublishedNames } from "./PublishedName";

const KINDS = { names: "names", places: "places" } as const;

export function OutputsArea() {
  const part = usePart("outputs");
  const { keep, put } = useWorkspace();
  const [wanted, setWanted] = useState<string | null>(null);
  const [kind, setKind] = useState<keyof typeof KINDS>("names");
  const outputs = part?.outputs ?? [];
  const ids = outputs.map((each) => (each.names ?? each.placed)?.id ?? "");
  const id = wanted !== null && ids.includes(wanted) ? wanted : ids[0];
  const chosen = outputs.find((each) => (each.names ?? each.placed)?.id === id);
  const add = async (name: string) => {
    if (!name.trim()) return;
    const made = newId();
    await keep([edit("add_output", { id: made, name, kind })]);
    setWanted(made);
    focusSoon(found("[data-first]"));
  };
  return (
    <Area
      title="Names and places"
      tools={
        <>
          {id !== undefined && (
            <Choice
              label="Output"
              value={id}
              items={outputs.map((each) => {
                const output = each.names ?? each.placed;
                return { value: output?.id ?? "", words: output?.name ?? "" };
              })}
              onChoose={setWanted}
            />
          )}
          <Choice
            label="Add one of"
            value={kind}
            items={Object.entries(KINDS).map(([value, words]) => ({ value, words }))}
            onChoose={(value) => setKind(value as keyof typeof KINDS)}
          />
          {/* Another one begins empty. */}
          <TextField
            key={outputs.length}
            label="called"
            hideLabel
            placeholder="called, then Enter"
            value=""
            width="140px"
            onCommit={add}
          />
        </>
      }
      actions={
        id !== undefined && (
          <ToolButton onClick={() => void put(edit("remove_output", { output: id }))}>
            Remove this output
          </ToolButton>
        )
      }
    >
      {part && <PublishedNames colors={part.colors} />}
      {chosen && (
        <Flex gap="8px" fontSize="12px" marginBottom="6px" wrap="wrap">
          <Text>
            Goes out as <code>{chosen.file}</code> with every release.
          </Text>
        </Flex>
      )}
      {part && chosen?.names && (
        <Names key={chosen.names.id} output={chosen.names} view={chosen} colors={part.colors} />
      )}
      {part && chosen?.placed && (
        <Places key={chosen.placed.id} output={chosen.placed} view={chosen} colors={part.colors} />
      )}
      {part && outputs.length === 0 && (
        <Box fontSize="12px" maxWidth="620px" data-testid="no-outputs">
          <Text>
            Code that is there already has names of its own, or a fixed number of places for colors. Add an
            output called after it: every release then holds a file under those names, or with those places.
          </Text>
        </Box>
      )}
    </Area>
  );
}
