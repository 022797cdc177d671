/** What a hue is called, which color it has, what it is for: under its band, while it is selected. */
import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import type { Edit, HueKind, HueView, Status } from "../../api/client";
import { Choice } from "../../parts/Choice";
import { TextField } from "../../parts/TextField";
import { Tool } from "../../parts/Tool";
import { useLooking } from "../../state/looking";
import { useActions } from "../../state/workspace";

interface Props {
  hue: HueView;
  put: (edit: Edit) => Promise<void>;
  onUp: () => void;
  onDown: () => void;
  first: boolean;
  last: boolean;
}

const KINDS = [
  { value: "brand", words: "brand" },
  { value: "accent", words: "accent" },
  { value: "neutral", words: "neutral" },
  { value: "success", words: "status: success" },
  { value: "warning", words: "status: warning" },
  { value: "error", words: "status: error" },
  { value: "information", words: "status: information" },
];
const STATUSES = ["success", "warning", "error", "information"];

export function HueEditor({ hue, put, onUp, onDown, first, last }: Props) {
  const { keep } = useActions();
  const { look } = useLooking();
  const [removing, setRemoving] = useState(false);
  const sort = (value: string) => {
    const status = STATUSES.includes(value) ? (value as Status) : null;
    const kind = status ? "status" : (value as HueKind);
    void put({ type: "set_hue_kind", hue: hue.id, kind, status } as Edit);
  };
  const remove = async () => {
    await put({ type: "remove_hue", hue: hue.id } as Edit);
    look({ select: null });
  };
  return (
    <Flex
      gap="12px"
      align="flex-end"
      wrap="wrap"
      padding="8px 14px 10px"
      borderLeft="6px solid"
      borderColor="fg"
      bg="bg.subtle"
      data-testid="hue-editor"
    >
      <TextField
        label="Name"
        value={hue.name}
        width="140px"
        onCommit={(name) => keep([{ type: "rename_hue", hue: hue.id, name } as Edit])}
      />
      <TextField
        label="Color, in any notation"
        value={hue.hex}
        width="150px"
        mono
        onCommit={(color) => keep([{ type: "set_source", hue: hue.id, color } as Edit])}
      />
      <TextField
        label="Origin and reason"
        value={hue.note}
        width="190px"
        onCommit={(note) => keep([{ type: "set_hue_note", hue: hue.id, note } as Edit])}
      />
      <Box>
        <Choice label="Kind" value={hue.status ?? hue.kind} items={KINDS} onChoose={sort} />
      </Box>
      <Flex gap="4px" marginLeft="auto">
        <Tool onClick={onUp} disabled={first} aria-label={`Move ${hue.name} up`}>
          Up
        </Tool>
        <Tool onClick={onDown} disabled={last} aria-label={`Move ${hue.name} down`}>
          Down
        </Tool>
        {removing ? (
          <>
            <Tool bg="fg" color="bg" onClick={() => void remove()}>
              {hue.tokens_on > 0 ? `Remove; ${hue.tokens_on} tokens keep their colors` : "Remove it"}
            </Tool>
            <Tool onClick={() => setRemoving(false)}>Keep</Tool>
          </>
        ) : (
          <Tool onClick={() => setRemoving(true)}>Remove</Tool>
        )}
      </Flex>
    </Flex>
  );
}
