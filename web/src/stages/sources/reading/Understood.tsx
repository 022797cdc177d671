/** What was understood, line by line: each color can be left out, named, given a kind; then all are added at once. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Edit, HueKind, ReadingView, ReadLineView } from "../../../api/client";
import { edit } from "../../../api/edits";
import { stepRef } from "../../../api/keys";
import { Choice } from "../../../components/Choice";
import { Toggle } from "../../../components/Toggle";
import { ToolButton } from "../../../components/ToolButton";
import { usePart } from "../../../workspace/hooks";
import { addingOf, counted, useAdding } from "../adding";
import { grouped, HEADINGS, type Heading, ORDERS, type Order } from "./listing";
import { type Changed, type Going, ReadRow, type Use } from "./ReadRow";
import styles from "./row.module.css";
import { ScaleRead } from "./ScaleRead";
import { fitKey, useTargets } from "./useTargets";

interface Props {
  reading: ReadingView;
  origin: string | null;
  /** Tells what Enter does in the field above. */
  onAddFirst: (add: () => void) => void;
  /** Called with the lines that are left, to be mended or to go elsewhere. */
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

const TAKES: { value: string; words: string; kind: HueKind | null }[] = [
  { value: "brand", words: "only brand hues", kind: "brand" },
  { value: "accent", words: "only accents", kind: "accent" },
  { value: "neutral", words: "only neutrals", kind: "neutral" },
  { value: "status", words: "only status hues", kind: "status" },
];

export function Understood({ reading, origin, onAddFirst, onDone }: Props) {
  const hues = usePart("hues");
  const theme = usePart("head", (head) => head.theme?.id ?? null);
  const { wait, make } = useAdding();
  const acting = useRef(false);
  const [use, setUse] = useState<Use>("add");
  const [order, setOrder] = useState<Order>("read");
  const [heading, setHeading] = useState<Heading>("none");
  const [changed, setChanged] = useState<Record<string, Changed>>({});
  const keys = useMemo(() => keysOf(reading.lines), [reading]);
  const targets = useTargets(use === "pin");
  const changeOf = (line: ReadLineView): Changed => changed[keys.get(line) ?? ""] ?? {};
  const kindOfLine = (line: ReadLineView): HueKind => changeOf(line).kind ?? line.kind;
  // What is given as a scale comes as one, unless somebody wants its steps as hues.
  const [apart, setApart] = useState<readonly string[]>([]);
  const scales = use === "add" ? reading.scales.filter((scale) => !apart.includes(scale.name)) : [];
  const ofScales = new Set(scales.flatMap((scale) => scale.lines.map((place) => reading.lines[place])));
  const listed = reading.lines.filter((line) => !ofScales.has(line));
  const read = listed.filter((line) => line.color);
  const isOut = (line: ReadLineView) =>
    changeOf(line).out ?? (use === "add" && (line.repeat?.same ?? false) && !changeOf(line).overlay);
  const targetOf = (line: ReadLineView): string =>
    use === "replace"
      ? (changeOf(line).replaces ?? line.replaces?.hue ?? "")
      : (changeOf(line).pins ?? fitKey(line.fit));
  const usable = (line: ReadLineView) => !isOut(line) && (use === "add" || targetOf(line) !== "");
  const chosen = read.filter(usable);
  // Two lines cannot go to one place: the later one would undo the earlier.
  const twice = new Set(
    use === "add" ? [] : chosen.map(targetOf).filter((target, place, all) => all.indexOf(target) !== place),
  );
  const note = origin ? `from ${origin}` : reading.kind === "list" ? "given" : `from a ${reading.kind}`;

  const changeAll = (change: (line: ReadLineView) => Changed) =>
    setChanged(
      Object.fromEntries(
        reading.lines.map((line) => [keys.get(line) ?? "", { ...changeOf(line), ...change(line) }]),
      ),
    );
  const goingOf = (line: ReadLineView): Going | null => {
    if (use === "add") return null;
    const value = targetOf(line);
    const clash = twice.has(value) && usable(line) ? "another line goes there too; " : "";
    if (use === "replace") {
      const hue = targets.hue(value);
      const by = value === line.replaces?.hue ? `, matched by ${line.replaces.by}` : "";
      const remark = hue ? `${clash}${hue.hex} until now${by}` : "stays in the list";
      return { value, words: hue?.name ?? "", beside: hue, remark, targets: targets.hues };
    }
    const { fit } = line;
    const own = fit && value === fitKey(fit);
    const step = targets.step(value);
    const from = own
      ? `CIEDE2000 ${fit.distance} from the generated ${fit.generated.hex}`
      : step
        ? `${step.hex} until now`
        : "stays in the list";
    return {
      value,
      words: own ? `${fit.hue_name} ${fit.label}` : (step?.words ?? ""),
      beside: own ? fit.generated : step,
      remark: clash + from,
      targets: targets.steps,
    };
  };

  const found = () =>
    chosen
      .filter((line) => !changeOf(line).overlay)
      .map((line) => {
        const mine = changeOf(line);
        return {
          name: mine.name ?? line.name,
          kind: mine.kind ?? line.kind,
          status: mine.kind ? (mine.status ?? null) : (line.status ?? null),
          color: line.color,
          note,
        };
      });
  const overlays = (): Edit[] =>
    chosen.flatMap((line) => {
      const { overlay } = line;
      if (!overlay || !changeOf(line).overlay || !theme) return [];
      const name = changeOf(line).name ?? overlay.name;
      return [edit("add_token", { name, theme, value: { kind: "literal" as const, color: overlay.color } })];
    });
  const finish = (done: boolean, kept: readonly ReadLineView[] = []) => {
    if (!done) return;
    setChanged({});
    const unread = reading.lines.filter((line) => !line.color);
    const unmatched = use === "add" ? [] : read.filter((line) => !isOut(line) && targetOf(line) === "");
    onDone(
      [
        ...(reading.kind === "list" ? unread.map((line) => line.text) : []),
        ...[...kept, ...unmatched].map((line) => (line.name ? `${line.name}: ${line.value}` : line.value)),
      ].join("\n"),
    );
  };
  const edits = (): Edit[] => {
    if (use === "add") {
      const added = found();
      return [
        ...scales.flatMap((scale) => scale.edits),
        ...(added.length > 0 ? [addingOf(added)] : []),
        ...overlays(),
      ];
    }
    return chosen.flatMap((line) => {
      if (!line.color) return [];
      const target = targetOf(line);
      return use === "replace"
        ? [edit("set_source", { hue: target, color: line.color })]
        : [edit("pin_step", { ...stepRef(target), color: line.color })];
    });
  };
  const act = async () => {
    // Pressed twice, it is done once.
    if (chosen.length + scales.length === 0 || twice.size > 0 || acting.current) return;
    acting.current = true;
    try {
      finish(await make(edits()));
    } finally {
      acting.current = false;
    }
  };
  useEffect(() => onAddFirst(() => void act()));

  const words = {
    add: `Add ${[
      ...(scales.length > 0 ? [counted(scales.length, "scale")] : []),
      ...(chosen.length > 0 || scales.length === 0 ? [counted(chosen.length, "hue")] : []),
    ].join(" and ")}`,
    replace: `Replace ${counted(chosen.length, "value")}`,
    pin: `Pin ${counted(chosen.length, "color")}`,
  };
  const unread = reading.lines.filter((line) => !line.color).length;
  const placed = reading.lines.some((line) => line.place);
  const often = reading.lines.some((line) => line.uses > 1);
  return (
    <Box padding="6px 12px 10px">
      <Flex gap="8px" align="center" marginBottom="4px" wrap="wrap" fontSize="12px">
        <Text color="fg.muted" data-testid="read-summary">
          Read as a {reading.kind}: {counted(reading.lines.length - unread, "color")}
          {unread > 0 ? `, ${counted(unread, "line")} not read` : ""}
          {reading.more > 0 ? `; ${reading.more.toLocaleString("en-US")} more are not shown` : ""}
          {reading.stopped ? `. ${reading.stopped}` : reading.more > 0 ? ", give a part" : ""}
        </Text>
        {hues.length > 0 && read.length + scales.length > 0 && (
          <Flex gap="4px" marginLeft="auto" role="group" aria-label="What to do with them">
            {USES.map((each) => (
              <Toggle key={each.value} on={use === each.value} onClick={() => setUse(each.value)}>
                {each.words}
              </Toggle>
            ))}
          </Flex>
        )}
      </Flex>
      {read.length > 1 && (
        <Flex
          gap="4px"
          align="center"
          marginBottom="4px"
          wrap="wrap"
          role="group"
          aria-label="Which are taken"
        >
          <ToolButton onClick={() => changeAll(() => ({ out: false }))}>Take all</ToolButton>
          <ToolButton onClick={() => changeAll(() => ({ out: true }))}>Take none</ToolButton>
          <Choice
            label="Take"
            value=""
            items={[
              { value: "", words: "by kind" },
              ...TAKES.filter(({ kind }) => read.some((line) => kindOfLine(line) === kind)),
            ]}
            onChoose={(value) => {
              const kind = TAKES.find((each) => each.value === value)?.kind;
              if (kind) changeAll((line) => ({ out: kindOfLine(line) !== kind }));
            }}
          />
          <Flex gap="4px" marginLeft="auto">
            <Choice
              label="In order"
              value={order}
              items={ORDERS.filter((each) => each.value !== "use" || often)}
              onChoose={(value) => setOrder(value)}
            />
            <Choice
              label="Grouped"
              value={heading}
              items={HEADINGS.filter((each) => each.value !== "place" || placed)}
              onChoose={(value) => setHeading(value)}
            />
          </Flex>
        </Flex>
      )}
      {use === "add" &&
        reading.scales.map((scale) => (
          <ScaleRead
            key={scale.name}
            scale={scale}
            whole={!apart.includes(scale.name)}
            onWhole={(whole) =>
              setApart(whole ? apart.filter((name) => name !== scale.name) : [...apart, scale.name])
            }
          />
        ))}
      <Box
        maxHeight="236px"
        overflowY="auto"
        aria-live="polite"
        data-testid="read-lines"
        tabIndex={0}
        role="group"
        aria-label="What was understood"
      >
        {grouped(listed, order, heading, kindOfLine).map((group) => (
          <div key={group.heading}>
            {group.heading && (
              <div className={styles.heading}>
                {group.heading}, {group.lines.length}
              </div>
            )}
            {group.lines.map((line) => (
              <ReadRow
                // Two lines may say the same: their count is a part of who they are.
                key={keys.get(line)}
                line={line}
                use={use}
                out={isOut(line)}
                changed={changeOf(line)}
                placed={heading === "place"}
                going={goingOf(line)}
                onChange={(change) =>
                  setChanged({ ...changed, [keys.get(line) ?? ""]: { ...changeOf(line), ...change } })
                }
              />
            ))}
          </div>
        ))}
      </Box>
      <Flex gap="8px" marginTop="8px" align="center">
        <ToolButton
          disabled={chosen.length + scales.length === 0 || twice.size > 0}
          onClick={() => void act()}
          data-testid="add-read"
        >
          {words[use]}
        </ToolButton>
        {use === "add" && (
          <ToolButton
            disabled={found().length === 0}
            onClick={() =>
              void wait(found()).then((done) =>
                finish(
                  done,
                  reading.lines.filter((line) => ofScales.has(line)),
                ),
              )
            }
            data-testid="wait-read"
          >
            Let {chosen.length === 1 ? "it" : chosen.length} wait
          </ToolButton>
        )}
        <Text fontSize="12px" color="fg.muted">
          {twice.size > 0 && "Two lines go to one place: choose another for one of them, or leave it out. "}
          {use === "replace" &&
            "Matched by name, the others by order; what goes nowhere stays in the line above."}
          {use === "pin" && "Each goes to the step of the scale that it fits best, and stays exact."}
        </Text>
      </Flex>
    </Box>
  );
}
