/** The sheet of scales. Arrow keys walk it; what is selected fills the slip. */
import { Box, Flex } from "@chakra-ui/react";
import {
  type CSSProperties,
  type KeyboardEvent,
  type MouseEvent,
  memo,
  useEffect,
  useMemo,
  useRef,
} from "react";
import type { HueView, LadderView, StepView } from "../../api/client";
import { HUE_DRAGGED, hueKey, hueOf } from "../../api/keys";
import { useRowDrag } from "../../util/useRowDrag";
import { useSteady } from "../../util/useSteady";
import { useChosen } from "../../workspace/chosen";
import { useKnown, usePart, useWorkspace } from "../../workspace/hooks";
import { useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import { useMoveHue } from "../../workspace/useMoveHue";
import { useNextLine } from "../shared/NextLine";
import { useOpenArea } from "../shared/WorkArea";
import { ScaleRow } from "./ScaleRow";
import styles from "./sheet.module.css";
import { LABELS_WIDTH, NEXT_LINE, rowHeight } from "./sizes";

/** A hue with its scale. */
interface Row {
  hue: HueView;
  steps: StepView[];
}

interface Props {
  /** While a work area has the sheet: the scale that is selected, by itself. */
  strip?: boolean;
}

export function ScaleSheet({ strip = false }: Props) {
  const every = useRows();
  const ladder = usePart("ladder");
  const ground = usePart("ground", (part) => part.name);
  const hatched = useLook((at) => at.need !== null);
  // Where nobody has chosen, the first hue is what the slip tells of.
  const told = usePart("slip", (slip) => slip?.key);
  const selected = useLook((at) => at.select) ?? told ?? "";
  const area = useOpenArea();
  const lined = useNextLine("scales");
  const show = useLook((at) => at.show);
  const own = usePart("slip", (slip) => slip?.hue);
  const alone =
    show === "scale" || strip
      ? (every.find(({ hue }) => hue.id === hueOf(selected)) ??
        every.find(({ hue }) => strip && hue.id === own))
      : undefined;
  const figures = useKnown(({ parts }) => {
    const detail = parts?.scale_detail;
    return alone && !strip && detail?.hue === alone.hue.id ? detail.figures_of : null;
  });
  const rows = useMemo(() => (alone ? [alone] : every), [alone, every]);
  const print = useInterface((state) => state.print);
  const sheet = useRef<HTMLDivElement>(null);
  const columns = ladder.steps.length;
  const at = locate(rows, selected);
  const row = rows[at?.row ?? -1];
  const column = at?.column ?? null;

  const begins = (place: number) => place > 0 && rows[place - 1]?.hue.kind !== rows[place]?.hue.kind;
  const groups = rows.filter((_, place) => begins(place)).length + 1;
  const height = alone && !strip ? ALONE : rowHeight(rows.length, groups, lined ? NEXT_LINE : 0);
  const { moveBy, moveTo } = useMoveHue();
  const drag = useRowDrag(HUE_DRAGGED, (hue, target, after) => moveTo(hue, target, after, "all"));
  const waiting = useKnown((known) => known.waiting);

  const { keys, choose } = useChosen();
  const chosen = useMemo(() => new Set(keys), [keys]);

  // A step that is gone is not chosen any more.
  useEffect(() => {
    if (!keys.every((key) => locate(every, key))) choose([]);
  }, [keys, every, choose]);

  const select = useSteady((key: string, how: "alone" | "also" | "through") => {
    if (how === "alone" || !at) {
      choose([]);
      look({ select: key });
    } else if (how === "through") {
      choose(between(rows, selected, key));
    } else {
      const kept = keys.length > 0 ? keys : [selected];
      const left = kept.includes(key) ? kept.filter((each) => each !== key) : [...kept, key];
      choose(left.length > 1 ? left : []);
      if (key === selected || left.length < 2) look({ select: left[0] ?? key });
    }
  });

  const { say } = useWorkspace();
  const focusOn = (to: StepView) =>
    sheet.current?.querySelector<HTMLElement>(`[data-key="${CSS.escape(to.key)}"]`)?.focus();
  const selectRow = useSteady((event: MouseEvent, hue: string) => {
    const place = rows.findIndex((each) => each.hue.id === hue);
    const steps = rows[place]?.steps.map((step) => step.key) ?? [];
    if (event.shiftKey && at) {
      const [first = 0, last = 0] = [at.row, place].sort((one, other) => one - other);
      choose(rows.slice(first, last + 1).flatMap((each) => each.steps.map((step) => step.key)));
    } else if (event.ctrlKey || event.metaKey) {
      const whole = steps.every((key) => chosen.has(key));
      const others = keys.filter((key) => !steps.includes(key));
      choose(whole ? others : [...others, ...steps]);
      if (!at) look({ select: steps[0] ?? hueKey(hue) });
    } else {
      choose([]);
      look({ select: hueKey(hue) });
    }
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const moved = rows.find(({ hue }) => hue.id === row?.hue.id || hue.key === selected)?.hue;
    if (event.altKey && moved && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
      moveBy(moved, event.key === "ArrowUp" ? -1 : 1, "all");
      event.preventDefault();
      return;
    }
    if (event.altKey) return;
    const cell = (event.target as HTMLElement).closest<HTMLElement>("[data-key]");
    const place = locate(rows, cell?.dataset.key ?? "");
    if (!place) return;
    const steps = rows[place.row]?.steps ?? [];
    const beside = (by: number) => {
      const other = rows[place.row + by]?.steps ?? [];
      return (
        other.find((step) => step.label === steps[place.step]?.label) ??
        other.find((step) => step.column === place.column)
      );
    };
    // With Ctrl or Cmd the arrows walk without choosing, so that what lies apart can be chosen too, with space.
    const walking = event.ctrlKey || event.metaKey;
    const go = (to: StepView | undefined) => {
      if (!to) say(END_OF_SHEET[event.key] ?? null);
      else if (walking) focusOn(to);
      else {
        select(to.key, event.shiftKey ? "through" : "alone");
        focusOn(to);
      }
    };
    if (event.key === "ArrowRight") go(steps[place.step + 1]);
    else if (event.key === "ArrowLeft") go(steps[place.step - 1]);
    else if (event.key === "ArrowDown") go(beside(1));
    else if (event.key === "ArrowUp") go(beside(-1));
    else if (event.key === "Home") go(steps[0]);
    else if (event.key === "End") go(steps.at(-1));
    else if (event.key === " ") select(cell?.dataset.key ?? "", "also");
    else if (event.key === "Escape" && keys.length > 0) choose([]);
    else return;
    event.preventDefault();
  };
  // Where a work area leaves little room, the row that it is about stays in sight.
  const shown = area ? (row?.hue.name ?? rows.find(({ hue }) => hue.key === selected)?.hue.name) : undefined;
  useEffect(() => {
    const room = sheet.current?.parentElement;
    if (!room || !shown) return;
    const keep = () =>
      sheet.current?.querySelector(`[data-row="${CSS.escape(shown)}"]`)?.scrollIntoView({ block: "nearest" });
    const watching = new ResizeObserver(keep);
    watching.observe(room);
    return () => watching.disconnect();
  }, [shown]);
  const entry = at ? selected : (rows[0]?.steps[0]?.key ?? "");
  return (
    <Box
      ref={sheet}
      style={(height < LOWEST ? TIGHT : height < LOW ? CLOSE : ROOMY) as CSSProperties}
      role="grid"
      aria-label="Scales"
      aria-multiselectable
      onKeyDown={onKeyDown}
      {...drag.handlers}
      data-testid="scales"
    >
      <Heads ladder={ladder} column={column} />
      {rows.map(({ hue, steps }, place) => (
        <ScaleRow
          key={hue.id}
          hue={hue}
          steps={steps}
          ground={ground}
          height={height}
          apart={begins(place)}
          columns={columns}
          selected={hue.id === row?.hue.id || selected === hue.key ? selected : null}
          entry={hueOf(entry) === hue.id ? entry : null}
          column={column}
          print={print}
          hatched={hatched}
          chosen={keys.filter((key) => hueOf(key) === hue.id).join(" ")}
          figures={figures}
          onSelect={select}
          onSelectRow={selectRow}
          line={drag.line(hue.id)}
          waiting={waiting}
        />
      ))}
    </Box>
  );
}

/** Hues with their scales, in order. */
function useRows(): Row[] {
  const hues = usePart("hues");
  const scales = usePart("scales");
  return useMemo(() => {
    const steps = new Map(scales.map((scale) => [scale.hue, scale.steps]));
    return hues.flatMap((hue) => {
      const own = steps.get(hue.id);
      return own ? [{ hue, steps: own }] : [];
    });
  }, [hues, scales]);
}

const Heads = memo(function Heads({ ladder, column }: { ladder: LadderView; column: number | null }) {
  return (
    <Flex
      role="row"
      position="sticky"
      top="0"
      bg="bg"
      zIndex="1"
      paddingLeft={`${LABELS_WIDTH}px`}
      paddingBlock="4px"
    >
      {ladder.steps.map((step, place) => (
        // A heading is read, not reached: the arrow keys walk the steps.
        // biome-ignore lint/a11y/useFocusableInteractive: see above
        <div
          key={step.id}
          role="columnheader"
          className={styles.column}
          style={{ fontWeight: place === column ? 700 : 400 }}
        >
          {step.label} <span className={styles.aim}>L* {step.lightness.toFixed(0)}</span>
        </div>
      ))}
    </Flex>
  );
});

/** What is said where an arrow leads no further. */
const END_OF_SHEET: Record<string, string> = {
  ArrowRight: "This is the last step of its scale.",
  ArrowLeft: "This is the first step of its scale.",
  ArrowDown: "No scale below has a step here.",
  ArrowUp: "No scale above has a step here.",
};

/** One scale alone is tall enough to be judged from afar. */
const ALONE = 300;
/** In a low row, two lines of text and the mark of the hue's own color share all of its height. */
const LOWEST = 38;
const LOW = 44;
const TIGHT = { "--text-top": "1px", "--line": "14px", "--own-foot": "0px", "--mark-top": "18px" };
const CLOSE = { "--text-top": "4px", "--line": "14px", "--own-foot": "2px", "--mark-top": "2px" };
const ROOMY = { "--text-top": "5px", "--own-foot": "5px", "--mark-top": "2px" };

/** The keys of all steps in the rows and columns between two. */
function between(rows: Row[], one: string, other: string): string[] {
  const [from, to] = [locate(rows, one), locate(rows, other)];
  if (!from || !to) return [other];
  const inside = (at: number, a: number, b: number) => at >= Math.min(a, b) && at <= Math.max(a, b);
  const keys = rows
    .filter((_, row) => inside(row, from.row, to.row))
    .flatMap(({ steps }) => steps.filter((step) => inside(step.column, from.column, to.column)))
    .map((step) => step.key);
  return keys.length > 1 ? keys : [];
}

function locate(rows: Row[], key: string): { row: number; step: number; column: number } | null {
  const row = rows.findIndex(({ hue }) => hue.id === hueOf(key));
  const steps = rows[row]?.steps ?? [];
  const step = steps.findIndex((each) => each.key === key);
  const found = steps[step];
  return found ? { row, step, column: found.column } : null;
}
