/** Status: four colors fitted to the brand and moved apart until everyone can tell them from each other. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { client, data, type HueView, problemOf, type Status, type StatusView } from "../../../api/client";
import { LONGEST_NOTE } from "../../../api/constants.generated";
import { Halves } from "../../../components/Halves";
import { Switch } from "../../../components/Switch";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useInterface } from "../../../workspace/interface";
import { useLook, useSeeing } from "../../../workspace/look";
import { useLatest } from "../../../workspace/useLatest";
import { Area } from "../../shared/Area";
import { useAdding } from "../adding";
import { StatusDistances } from "./StatusDistances";

export function StatusArea() {
  const hues = usePart("hues");
  const seeing = useSeeing();
  const { notation } = useInterface();
  const { make } = useAdding();
  const { tell } = useWorkspace();
  const slug = useLook((at) => at.slug);
  const [held, setHeld] = useState<Status[]>([]);
  const [notes, setNotes] = useState<Partial<Record<Status, string>>>({});
  const present = new Map<Status, HueView>();
  for (const hue of hues) if (hue.status && !present.has(hue.status)) present.set(hue.status, hue);
  // What is held in its band is held here too.
  const fixed = [...present].flatMap(([status, hue]) => (hue.held ? [status] : []));
  const question = {
    brand: hues.filter((hue) => hue.kind === "brand").map((hue) => hue.exact),
    present: Object.fromEntries([...present].map(([status, hue]) => [status, hue.exact])),
    held: [...new Set([...held.filter((status) => present.has(status)), ...fixed])],
    notation,
    ...seeing,
  };
  const { answer, busy } = useLatest(question, (body) => data(client.POST("/api/status-proposal", { body })));
  if (!answer)
    return (
      <Area title="Status colors">
        <Text>Looking for four colors that everyone can tell apart</Text>
      </Area>
    );
  const noteOf = (color: StatusView["colors"][number]) =>
    notes[color.status] ?? present.get(color.status)?.note ?? color.note;
  const use = async () => {
    const colors = Object.fromEntries(answer.colors.map((color) => [color.status, color.hex]));
    const wanted = Object.fromEntries(answer.colors.map((color) => [color.status, noteOf(color)]));
    try {
      // Which hues change and which come, and which tokens go along, is the server's to say.
      const { edits } = await data(
        client.POST("/api/systems/{slug}/status-edits", {
          params: { path: { slug } },
          body: { colors, notes: wanted },
        }),
      );
      if (edits.length > 0) await make(edits);
    } catch (thrown) {
      tell({ words: problemOf(thrown).message, actions: [] });
    }
  };
  const changes = answer.colors.filter((color) => {
    const hue = present.get(color.status);
    return !hue || hue.hex !== color.hex || hue.note !== noteOf(color);
  }).length;
  return (
    <Area
      title="Status colors"
      tools={
        <Text fontSize="12px" color="fg.muted" data-testid="status-words">
          {answer.sentence}
        </Text>
      }
      actions={
        <ToolButton disabled={changes === 0 || busy} onClick={() => void use()}>
          {changes === 0 ? "As they are" : `Use ${changes === 1 ? "it" : `these ${changes}`}`}
        </ToolButton>
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
                maxLength={LONGEST_NOTE}
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
            <Switch
              on={color.held}
              disabled={!present.has(color.status) || fixed.includes(color.status)}
              title={
                fixed.includes(color.status)
                  ? `${present.get(color.status)?.name} is held in its band: let it go there to change it`
                  : undefined
              }
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
            </Switch>
          </Flex>
        ))}
      </Box>
      <StatusDistances answer={answer} />
    </Area>
  );
}
