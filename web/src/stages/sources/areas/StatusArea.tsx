/** Status: four colors fitted to the brand and moved apart until everyone can tell them from each other. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, type HueView, type Status, type StatusView } from "../../../api/client";
import { Area } from "../../../parts/Area";
import { Halves } from "../../../parts/Halves";
import { Toggle } from "../../../parts/Toggle";
import { Tool } from "../../../parts/Tool";
import { useInterface } from "../../../state/interface";
import { useLooking } from "../../../state/looking";
import { useLatest } from "../../../state/useLatest";
import { useView } from "../../../state/workspace";
import { useAdding } from "../adding";
import { StatusDistances } from "./StatusDistances";
import { useTokensAlong } from "./useTokensAlong";

type Body = Parameters<typeof ask>[0];
const ask = (body: { brand: string[]; present: Record<string, string>; held: Status[]; notation: never }) =>
  data(client.POST("/api/status-proposal", { body: body as never }));

export function StatusArea() {
  const hues = useView((view) => view.hues);
  const { seeing } = useLooking();
  const { notation } = useInterface();
  const { make } = useAdding();
  const tokensAlong = useTokensAlong();
  const [held, setHeld] = useState<Status[]>([]);
  const [notes, setNotes] = useState<Partial<Record<Status, string>>>({});
  const present = new Map<Status, HueView>();
  for (const hue of hues) if (hue.status && !present.has(hue.status)) present.set(hue.status, hue);
  const question = {
    brand: hues.filter((hue) => hue.kind === "brand").map((hue) => hue.hex),
    present: Object.fromEntries([...present].map(([status, hue]) => [status, hue.hex])),
    held: held.filter((status) => present.has(status)),
    notation,
    ...seeing,
  };
  const { answer, busy } = useLatest(question as unknown as Body, ask);
  if (!answer)
    return (
      <Area title="Status">
        <Text>Looking for four colors that everyone can tell apart</Text>
      </Area>
    );
  const noteOf = (color: StatusView["colors"][number]) =>
    notes[color.status] ?? present.get(color.status)?.note ?? color.note;
  const use = async () => {
    const edits = editsOf(answer, present, hues, noteOf);
    if (edits.length > 0) await make([...edits, ...(await tokensAlong(edits))]);
  };
  const changes = answer.colors.filter((color) => {
    const hue = present.get(color.status);
    return !hue || hue.hex !== color.hex || hue.note !== noteOf(color);
  }).length;
  return (
    <Area
      title="Status"
      tools={
        <Text fontSize="12px" color="fg.muted" data-testid="status-words">
          {answer.sentence}
        </Text>
      }
      actions={
        <Tool disabled={changes === 0 || busy} onClick={() => void use()}>
          {changes === 0 ? "As they are" : `Use ${changes === 1 ? "it" : `these ${changes}`}`}
        </Tool>
      }
    >
      <Box>
        {answer.colors.map((color) => (
          <Flex
            key={color.status}
            align="center"
            gap="12px"
            minHeight="56px"
            fontSize="12px"
            data-status={color.status}
          >
            <Halves
              one={color.before.seen}
              other={color.seen}
              height="56px"
              width="120px"
              words={`${color.status}: ${color.before.hex} until now, ${color.hex} proposed`}
            />
            <Box width="210px" flexShrink={0}>
              <Text>
                <strong>{present.get(color.status)?.name ?? color.status}</strong>{" "}
                {present.has(color.status) ? color.status : ""}
              </Text>
              <Text fontFamily="mono">
                {color.before.hex === color.hex ? color.text : `${color.before.hex} to ${color.hex}`}
              </Text>
            </Box>
            <Box flex="1" minWidth="0">
              <input
                aria-label={`What ${color.status} is for`}
                maxLength={400}
                value={noteOf(color)}
                onChange={(event) => setNotes({ ...notes, [color.status]: event.target.value })}
                style={{
                  width: "100%",
                  height: "24px",
                  padding: "0 6px",
                  border: "1px solid var(--firm)",
                  background: "var(--paper)",
                  color: "var(--ink)",
                }}
              />
              <Text color="fg.muted" fontSize="11px" lineHeight="13px" title={color.convention} lineClamp={2}>
                {color.convention}
              </Text>
            </Box>
            <Toggle
              on={color.held}
              disabled={!present.has(color.status)}
              aria-label={`Hold ${color.status}`}
              onClick={() =>
                setHeld(
                  held.includes(color.status)
                    ? held.filter((status) => status !== color.status)
                    : [...held, color.status],
                )
              }
            >
              {color.held ? "Held" : "Hold"}
            </Toggle>
          </Flex>
        ))}
      </Box>
      <StatusDistances answer={answer} />
    </Area>
  );
}

/** Colors and notes of the hues that there are, and new hues for the others. */
function editsOf(
  answer: StatusView,
  present: Map<Status, HueView>,
  hues: HueView[],
  noteOf: (color: StatusView["colors"][number]) => string,
): object[] {
  const edits: object[] = [];
  const fresh: object[] = [];
  for (const color of answer.colors) {
    const { status } = color;
    const hue = present.get(status);
    const note = noteOf(color);
    if (!hue) fresh.push({ name: freeName(hues, status), kind: "status", status, color: color.hex, note });
    else {
      if (hue.hex !== color.hex) edits.push({ type: "set_source", hue: hue.id, color: color.hex });
      if (hue.note !== note) edits.push({ type: "set_hue_note", hue: hue.id, note });
    }
  }
  return fresh.length > 0 ? [...edits, { type: "add_hues", hues: fresh }] : edits;
}

/** The status itself, unless a hue is called so already. */
function freeName(hues: HueView[], status: string): string {
  const names = new Set(hues.map((hue) => hue.name));
  let name = status;
  for (let number = 2; names.has(name); number += 1) name = `${status} ${number}`;
  return name;
}
