/** Saving the present hues and candidates, or some of them, in the gallery under a name and words. */

import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, data, problemOf } from "../../../api/client";
import { Strip } from "../../../components/Strip";
import { ToolButton } from "../../../components/ToolButton";
import { usePart } from "../../../workspace/hooks";
import { counted } from "../adding";

/** What is typed and left out so far: the ids of what stays out. */
export interface SetDraft {
  name: string;
  words: string;
  out: string[];
}

interface Props {
  draft: SetDraft;
  onDraft: (draft: SetDraft) => void;
  onSaved: (name: string) => void;
  onLeave: () => void;
}

export function SaveSet({ onSaved, onLeave, ...props }: Props) {
  const hues = usePart("hues");
  const candidates = usePart("candidates");
  const system = usePart("head", (head) => head.name);
  const queries = useQueryClient();
  const { draft, onDraft } = props;
  const { name, words } = draft;
  const out = new Set(draft.out);
  const [refused, setRefused] = useState<string | null>(null);
  const colors = [...hues, ...candidates].map((color) => ({ ...color, name: color.name || color.hex }));
  const kept = colors.filter((color) => !out.has(color.id));
  const save = async () => {
    try {
      const body = { name, words, colors: kept.map((color) => ({ name: color.name, color: color.hex })) };
      await data(client.POST("/api/gallery", { body }));
      void queries.invalidateQueries({ queryKey: ["gallery"] });
      onSaved(name.trim());
    } catch (thrown) {
      setRefused(problemOf(thrown).message);
    }
  };
  return (
    <Box bg="bg.subtle" padding="8px 12px">
      <Strip
        colors={colors}
        height={36}
        label="Colors to save; press one to leave it out"
        chosen={new Set(colors.flatMap((color, place) => (out.has(color.id) ? [] : [place])))}
        onToggle={(place) => {
          const id = colors[place]?.id ?? "";
          onDraft({
            ...draft,
            out: out.has(id) ? draft.out.filter((each) => each !== id) : [...draft.out, id],
          });
        }}
        texts={colors.map((color) => color.name)}
      />
      <Flex gap="8px" marginTop="8px" align="center" wrap="wrap">
        <Input
          aria-label="Name of the set"
          placeholder={`Name, for example ${system} in spring`}
          size="2xs"
          height="26px"
          width="250px"
          borderColor="border.emphasized"
          value={name}
          onChange={(event) => onDraft({ ...draft, name: event.target.value })}
        />
        <Input
          aria-label="Words for the set"
          placeholder="Words to find it by"
          size="2xs"
          height="26px"
          width="280px"
          borderColor="border.emphasized"
          value={words}
          onChange={(event) => onDraft({ ...draft, words: event.target.value })}
        />
        <ToolButton onClick={() => void save()}>Save {counted(kept.length, "color")}</ToolButton>
        <ToolButton onClick={onLeave}>Not now</ToolButton>
        {refused && (
          <Text fontSize="12px" fontWeight="700">
            {refused}
          </Text>
        )}
      </Flex>
    </Box>
  );
}
