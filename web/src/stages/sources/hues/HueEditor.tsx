/** What a hue is called, which color it has or follows, what it is for: under its band, while it is selected. */

import { Flex, Text } from "@chakra-ui/react";
import type { HueView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { newId } from "../../../api/ids";
import { hueKey } from "../../../api/keys";
import { Choice } from "../../../components/Choice";
import { TextField } from "../../../components/TextField";
import { ToolButton } from "../../../components/ToolButton";
import { draftKey } from "../../../util/drafts";
import { focusSoon, found } from "../../../util/focus";
import { useNow, usePart, useWorkspace } from "../../../workspace/hooks";
import { look, useLook } from "../../../workspace/look";
import { ByHand } from "../../shared/ByHand";
import { Held } from "../../shared/Held";
import { READY_LADDER_ITEMS } from "../../shared/ladders";
import { KIND_ITEMS, kindOf } from "../kinds";
import { Derivation } from "./Derivation";
import { RemoveHue } from "./RemoveHue";

interface Props {
  hue: HueView;
  onUp: () => void;
  onDown: () => void;
  first: boolean;
  last: boolean;
}

const DARKER = 16;

export function HueEditor({ hue, onUp, onDown, first, last }: Props) {
  const { keep, put } = useWorkspace();
  const ladder = usePart("ladder");
  const hues = usePart("hues");
  const now = useNow();
  const slug = useLook((at) => at.slug);
  const derive = async () => {
    const id = newId();
    const source = {
      kind: "derived" as const,
      hue: hue.id,
      lightness: { how: "shifted" as const, by: -DARKER },
    };
    const kind = hue.kind === "status" ? "accent" : hue.kind;
    await put(edit("add_hues", { hues: [{ id, kind, source }] }));
    if (!now().hues?.some((each) => each.id === id)) return;
    look({ select: hueKey(id) });
    focusSoon(found(`[data-drag="${CSS.escape(id)}"]`));
  };
  const parents = [
    { value: "", words: "nothing" },
    ...hues.filter((other) => other.id !== hue.id).map((other) => ({ value: other.id, words: other.name })),
  ];
  const ladders = [
    { value: "", words: `${ladder.steps.length}, as all` },
    ...READY_LADDER_ITEMS,
    ...(hue.ladder === "own" ? [{ value: "own", words: `${hue.step_count}, own` }] : []),
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
        draft={draftKey(`hue ${hue.id} name`, slug)}
        value={hue.name}
        width="140px"
        onCommit={(name) => keep([edit("rename_hue", { hue: hue.id, name })])}
      />
      {hue.code && (
        <Text fontSize="12px" paddingBottom="5px" data-testid="in-code">
          in code <code>--{hue.code}</code>
        </Text>
      )}
      {!hue.follows && (
        <TextField
          label="Color, in any notation"
          draft={draftKey(`hue ${hue.id} color`, slug)}
          value={hue.hex}
          width="150px"
          mono
          onCommit={(color) => keep([edit("set_source", { hue: hue.id, color })])}
        />
      )}
      <TextField
        label="Origin and reason"
        draft={draftKey(`hue ${hue.id} note`, slug)}
        value={hue.note}
        width="auto"
        grow
        onCommit={(note) => keep([edit("set_hue_note", { hue: hue.id, note })])}
      />
      <Flex gap="8px" wrap="wrap" align="center" width="100%">
        <Choice
          label="Kind"
          value={hue.status ?? hue.kind}
          items={KIND_ITEMS}
          onChoose={(value) => void put(edit("set_hue_kind", { hue: hue.id, ...kindOf(value) }))}
        />
        <Choice
          label="Steps"
          value={hue.ladder ?? ""}
          items={ladders}
          onChoose={(chosen) =>
            chosen !== "own" && void put(edit("set_hue_ladder", { hue: hue.id, ladder: chosen || null }))
          }
        />
        {!hue.follows && (
          <Choice
            label="Follows"
            value=""
            items={parents}
            onChoose={(parent) =>
              parent &&
              void put(edit("follow_hue", { hue: hue.id, source: { kind: "derived", hue: parent } }))
            }
          />
        )}
        <Flex gap="4px" marginLeft="auto" wrap="wrap" justify="flex-end">
          <ToolButton onClick={() => void derive()} aria-label={`Derive a hue from ${hue.name}`}>
            Derive
          </ToolButton>
          <Held hue={hue} />
          <ToolButton
            aria-label={`Duplicate ${hue.name}`}
            onClick={() => void put(edit("duplicate_hue", { hue: hue.id, id: newId() }))}
          >
            Duplicate
          </ToolButton>
          <ToolButton onClick={onUp} disabled={first} aria-label={`Move ${hue.name} up`}>
            Up
          </ToolButton>
          <ToolButton onClick={onDown} disabled={last} aria-label={`Move ${hue.name} down`}>
            Down
          </ToolButton>
          <RemoveHue hue={hue} />
        </Flex>
      </Flex>
      {hue.follows && <Derivation hue={hue} follows={hue.follows} />}
      <ByHand hue={hue} />
    </Flex>
  );
}
