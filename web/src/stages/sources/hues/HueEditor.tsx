/** What a hue is called, which color it has or follows, what it is for: under its band, while it is selected. */
import { Flex } from "@chakra-ui/react";
import type { Edit, HueView } from "../../../api/client";
import { ByHand } from "../../../parts/ByHand";
import { Choice } from "../../../parts/Choice";
import { Held } from "../../../parts/Held";
import { TextField } from "../../../parts/TextField";
import { Tool } from "../../../parts/Tool";
import { useLooking } from "../../../state/looking";
import { useActions, useView } from "../../../state/workspace";
import { KIND_ITEMS, kindOf } from "../kinds";
import { Derivation } from "./Derivation";
import { RemoveHue } from "./RemoveHue";

interface Props {
  hue: HueView;
  put: (edit: Edit) => Promise<void>;
  onUp: () => void;
  onDown: () => void;
  first: boolean;
  last: boolean;
}

const DARKER = 16;

export function HueEditor({ hue, put, onUp, onDown, first, last }: Props) {
  const { keep } = useActions();
  const ladder = useView((view) => view.ladder);
  const hues = useView((view) => view.hues);
  const { look } = useLooking();
  const derive = async () => {
    const source = {
      kind: "derived",
      hue: hue.id,
      lightness: { how: "shifted", by: -DARKER },
    };
    const kind = hue.kind === "status" ? "accent" : hue.kind;
    const view = await keep([{ type: "add_hues", hues: [{ kind, source, name: "" }] } as unknown as Edit]);
    const made = view?.hues.find((each) => !hues.some((before) => before.id === each.id));
    if (made) look({ select: made.key });
  };
  const parents = [
    { value: "", words: "nothing" },
    ...hues.filter((other) => other.id !== hue.id).map((other) => ({ value: other.id, words: other.name })),
  ];
  const ladders = [
    { value: "", words: `${ladder.steps.length}, as all` },
    { value: "short", words: "5, short" },
    { value: "usual", words: "9, usual" },
    { value: "long", words: "11, long" },
    { value: "fine", words: "13, fine" },
    ...(hue.ladder === "own" ? [{ value: "own", words: `${hue.steps.length}, own` }] : []),
  ];
  return (
    <Flex
      gap="10px 12px"
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
      {!hue.follows && (
        <TextField
          label="Color, in any notation"
          value={hue.hex}
          width="150px"
          mono
          onCommit={(color) => keep([{ type: "set_source", hue: hue.id, color } as Edit])}
        />
      )}
      <TextField
        label="Origin and reason"
        value={hue.note}
        width="auto"
        grow
        onCommit={(note) => keep([{ type: "set_hue_note", hue: hue.id, note } as Edit])}
      />
      <Flex gap="8px" wrap="wrap" align="center" width="100%">
        <Choice
          label="Kind"
          value={hue.status ?? hue.kind}
          items={KIND_ITEMS}
          onChoose={(value) => void put({ type: "set_hue_kind", hue: hue.id, ...kindOf(value) } as Edit)}
        />
        <Choice
          label="Steps"
          value={hue.ladder ?? ""}
          items={ladders}
          onChoose={(chosen) =>
            chosen !== "own" &&
            void put({ type: "set_hue_ladder", hue: hue.id, ladder: chosen || null } as Edit)
          }
        />
        {!hue.follows && (
          <Choice
            label="Follows"
            value=""
            items={parents}
            onChoose={(parent) =>
              parent &&
              void put({
                type: "follow_hue",
                hue: hue.id,
                source: { kind: "derived", hue: parent },
              } as unknown as Edit)
            }
          />
        )}
        <Flex gap="4px" marginLeft="auto" wrap="wrap" justify="flex-end">
          <Tool onClick={() => void derive()} aria-label={`Derive a hue from ${hue.name}`}>
            Derive
          </Tool>
          <Held hue={hue} />
          <Tool
            aria-label={`Duplicate ${hue.name}`}
            onClick={() => void put({ type: "duplicate_hue", hue: hue.id } as Edit)}
          >
            Duplicate
          </Tool>
          <Tool onClick={onUp} disabled={first} aria-label={`Move ${hue.name} up`}>
            Up
          </Tool>
          <Tool onClick={onDown} disabled={last} aria-label={`Move ${hue.name} down`}>
            Down
          </Tool>
          <RemoveHue hue={hue} />
        </Flex>
      </Flex>
      {hue.follows && <Derivation hue={hue} follows={hue.follows} />}
      <ByHand hue={hue} />
    </Flex>
  );
}
