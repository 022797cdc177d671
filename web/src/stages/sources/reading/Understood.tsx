/** What was understood, line by line: each color can be left out, named, given a kind; then all are added at once. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Edit, ReadingView, ReadLineView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { Toggle } from "../../../components/Toggle";
import { ToolButton } from "../../../components/ToolButton";
import { usePart } from "../../../workspace/hooks";
import { counted, useAdding } from "../adding";
import { type Changed, ReadRow, type Use } from "./ReadRow";

interface Props {
  reading: ReadingView;
  origin: string | null;
  /** Tells what Enter does in the field above. */
  onAddFirst: (add: () => void) => void;
  /** Called with the lines that were not read, to be mended. */
  onDone: (left: string) => void;
}

/** A line's own words, not its place: lines come and go while somebody types. Equal ones are told apart by a count. */
function keysOf(lines: ReadLineView[]): Map<ReadLineView, string> {
  const seen = new Map<string, number>();
  return new Map(
    lines.map((line) => {
      const words = `${line.name}|${line.swatch?.hex ?? ""}|${line.text}`;
      const count = seen.get(words) ?? 0;
      seen.set(words, count + 1);
      return [line, `${words}|${count}`];
    }),
  );
}

const USES: { value: Use; words: string }[] = [
  { value: "add", words: "As hues" },
  { value: "replace", words: "Replace values" },
  { value: "pin", words: "Pin to scales" },
];

export function Understood({ reading, origin, onAddFirst, onDone }: Props) {
  const hues = usePart("hues");
  const { add, wait, make } = useAdding();
  const acting = useRef(false);
  const [use, setUse] = useState<Use>("add");
  const [changed, setChanged] = useState<Record<string, Changed>>({});
  const keys = useMemo(() => keysOf(reading.lines), [reading]);
  const keyOf = (line: ReadLineView) => keys.get(line) ?? "";
  const read = reading.lines.filter((line) => line.color);
  const isOut = (line: ReadLineView) =>
    changed[keyOf(line)]?.out ?? (use === "add" && (line.repeat?.same ?? false));
  const usable = (line: ReadLineView) =>
    !isOut(line) && (use === "add" || (use === "replace" ? line.replaces : line.fit));
  const chosen = read.filter(usable);
  const note = origin ? `from ${origin}` : reading.kind === "list" ? "given" : `from a ${reading.kind}`;

  const found = () =>
    chosen.map((line) => {
      const mine = changed[keyOf(line)];
      return {
        name: mine?.name ?? line.name,
        kind: mine?.kind ?? line.kind,
        status: mine?.kind ? (mine.status ?? null) : (line.status ?? null),
        color: line.color,
        note,
      };
    });
  const finish = (done: boolean) => {
    if (!done) return;
    setChanged({});
    const left = reading.lines.filter((line) => !line.color).map((line) => line.text);
    onDone(reading.kind === "list" ? left.join("\n") : "");
  };
  const edits = (): Edit[] =>
    chosen.flatMap((line) => {
      if (!line.color) return [];
      if (use === "replace" && line.replaces)
        return [edit("set_source", { hue: line.replaces.hue, color: line.color })];
      if (use === "pin" && line.fit)
        return [edit("pin_step", { hue: line.fit.hue, step: line.fit.step, color: line.color })];
      return [];
    });
  const act = async () => {
    // Pressed twice, it is done once.
    if (chosen.length === 0 || acting.current) return;
    acting.current = true;
    try {
      finish(use === "add" ? await add(found()) : await make(edits()));
    } finally {
      acting.current = false;
    }
  };
  useEffect(() => onAddFirst(() => void act()));

  const words = {
    add: `Add ${counted(chosen.length, "hue")}`,
    replace: `Replace ${counted(chosen.length, "value")}`,
    pin: `Pin ${counted(chosen.length, "color")}`,
  };
  const unread = reading.lines.length - read.length;
  return (
    <Box padding="6px 12px 10px">
      <Flex gap="8px" align="center" marginBottom="4px" wrap="wrap" fontSize="12px">
        <Text color="fg.muted" data-testid="read-summary">
          Read as a {reading.kind}: {counted(read.length, "color")}
          {unread > 0 ? `, ${counted(unread, "line")} not read` : ""}
          {reading.more > 0 ? `; ${reading.more.toLocaleString("en-US")} more are not shown` : ""}
          {reading.stopped ? `. ${reading.stopped}` : reading.more > 0 ? ", give a part" : ""}
        </Text>
        {hues.length > 0 && read.length > 0 && (
          <Flex gap="4px" marginLeft="auto" role="group" aria-label="What to do with them">
            {USES.map((each) => (
              <Toggle key={each.value} on={use === each.value} onClick={() => setUse(each.value)}>
                {each.words}
              </Toggle>
            ))}
          </Flex>
        )}
      </Flex>
      <Box
        maxHeight="236px"
        overflowY="auto"
        aria-live="polite"
        data-testid="read-lines"
        tabIndex={0}
        role="group"
        aria-label="What was understood"
      >
        {reading.lines.map((line, place) => (
          <ReadRow
            // Two lines may say the same, so their place is a part of who they are.
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            key={`${place} ${keyOf(line)}`}
            line={line}
            use={use}
            out={isOut(line)}
            changed={changed[keyOf(line)] ?? {}}
            onChange={(change) =>
              setChanged({ ...changed, [keyOf(line)]: { ...changed[keyOf(line)], ...change } })
            }
          />
        ))}
      </Box>
      <Flex gap="8px" marginTop="8px" align="center">
        <ToolButton disabled={chosen.length === 0} onClick={() => void act()} data-testid="add-read">
          {words[use]}
        </ToolButton>
        {use === "add" && (
          <ToolButton
            disabled={chosen.length === 0}
            onClick={() => void wait(found()).then(finish)}
            data-testid="wait-read"
          >
            Let {chosen.length === 1 ? "it" : chosen.length} wait
          </ToolButton>
        )}
        <Text fontSize="12px" color="fg.muted">
          {use === "replace" && "Matched by name, the others by order."}
          {use === "pin" && "Each goes to the step of the scale that it fits best, and stays exact."}
        </Text>
      </Flex>
    </Box>
  );
}
