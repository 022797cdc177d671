/** The sheet of scales. Arrow keys walk it; what is selected fills the slip. */
import { Box, Flex } from "@chakra-ui/react";
import {
  type CSSProperties,
  type KeyboardEvent,
  type MouseEvent,
  memo,
  useCallback,
  useEffect,
  useMemo,
  useRef,
} from "react";
import type { HueView, LadderView, StepView } from "../../api/client";
import { useSteady } from "../../parts/useSteady";
import { hueOf, useChosen } from "../../state/chosen";
import { useInterface } from "../../state/interface";
import { useLooking } from "../../state/looking";
import { useMoveHue } from "../../state/useMoveHue";
import { useView } from "../../state/workspace";
import { LABELS_WIDTH, rowHeight } from "./measures";
import { ScaleRow } from "./ScaleRow";
import styles from "./sheet.module.css";

export function ScaleSheet() {
  const every = useView((view) => view.hues);
  const ladder = useView((view) => view.ladder);
  const { looking, look, area, show } = useLooking();
  const alone = show === "scale" ? every.find((hue) => hue.id === hueOf(looking.select ?? "")) : undefined;
  const figures = useView(({ opened }) => (alone && opened?.hue === alone.id ? opened.figures_of : null));
  const hues = useMemo(() => (alone ? [alone] : every), [alone, every]);
  const print = useInterface((state) => state.print);
  const sheet = useRef<HTMLDivElement>(null);
  const columns = ladder.steps.length;
  const at = locate(hues, looking.select ?? "");
  const row = hues[at?.row ?? -1];
  const column = at?.column ?? null;

  const groups = hues.filter((hue, place) => place > 0 && hues[place - 1]?.kind !== hue.kind).length + 1;
  const height = alone ? ALONE : rowHeight(hues.length, groups);
  const { moveBy, moveBefore } = useMoveHue();

  const { keys, choose } = useChosen();
  const chosen = useMemo(() => new Set(keys), [keys]);
  const present = useRef({ hues, select: looking.select ?? "", keys });
  present.current = { hues, select: looking.select ?? "", keys };

  // What is chosen belongs to this sheet: it goes with it, and a step that is gone is not chosen any more.
  useEffect(() => () => choose([]), [choose]);
  useEffect(() => {
    if (!keys.every((key) => locate(hues, key))) choose([]);
  }, [keys, hues, choose]);

  const select = useCallback(
    (key: string, how: "alone" | "also" | "through") => {
      const { hues: shown, select: from, keys: before } = present.current;
      if (how === "alone" || !locate(shown, from)) {
        choose([]);
        look({ select: key });
      } else if (how === "through") {
        choose(between(shown, from, key));
      } else {
        const kept = before.length > 0 ? before : [from];
        const left = kept.includes(key) ? kept.filter((each) => each !== key) : [...kept, key];
        choose(left.length > 1 ? left : []);
        if (key === from || left.length < 2) look({ select: left[0] ?? key });
      }
    },
    [choose, look],
  );

  const go = (to: StepView | undefined, through: boolean) => {
    if (!to) return;
    select(to.key, through ? "through" : "alone");
    sheet.current?.querySelector<HTMLElement>(`[data-key="${CSS.escape(to.key)}"]`)?.focus();
  };
  const selectRow = useSteady((event: MouseEvent, hue: HueView) => {
    const steps = hue.steps.map((step) => step.key);
    if (event.shiftKey && at) {
      const ends = [at.row, hues.indexOf(hue)].sort((one, other) => one - other);
      choose(hues.slice(ends[0], (ends[1] ?? 0) + 1).flatMap((each) => each.steps.map((step) => step.key)));
    } else if (event.ctrlKey || event.metaKey) {
      const whole = steps.every((key) => chosen.has(key));
      const others = keys.filter((key) => !steps.includes(key));
      choose(whole ? others : [...others, ...steps]);
      if (!at) look({ select: steps[0] ?? hue.key });
    } else {
      choose([]);
      look({ select: hue.key });
    }
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const moved = hues.find((hue) => hue.id === row?.id || hue.key === looking.select);
    if (event.altKey && moved && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
      moveBy(moved, event.key === "ArrowUp" ? -1 : 1);
      event.preventDefault();
      return;
    }
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const cell = (event.target as HTMLElement).closest<HTMLElement>("[data-key]");
    const place = locate(hues, cell?.dataset.key ?? "");
    if (!place) return;
    const steps = hues[place.row]?.steps ?? [];
    const beside = (by: number) => {
      const other = hues[place.row + by]?.steps ?? [];
      return (
        other.find((step) => step.label === steps[place.step]?.label) ??
        other.find((step) => step.column === place.column)
      );
    };
    const through = event.shiftKey;
    if (event.key === "ArrowRight") go(steps[place.step + 1], through);
    else if (event.key === "ArrowLeft") go(steps[place.step - 1], through);
    else if (event.key === "ArrowDown") go(beside(1), through);
    else if (event.key === "ArrowUp") go(beside(-1), through);
    else if (event.key === "Home") go(steps[0], through);
    else if (event.key === "End") go(steps.at(-1), through);
    else if (event.key === " ") select(cell?.dataset.key ?? "", "also");
    else if (event.key === "Escape" && keys.length > 0) choose([]);
    else return;
    event.preventDefault();
  };
  // Where a work area leaves little room, the row that it is about stays in sight.
  const shown = area ? (row?.name ?? hues.find((hue) => hue.key === looking.select)?.name) : undefined;
  useEffect(() => {
    const room = sheet.current?.parentElement;
    if (!room || !shown) return;
    const keep = () =>
      sheet.current?.querySelector(`[data-row="${CSS.escape(shown)}"]`)?.scrollIntoView({ block: "nearest" });
    const watching = new ResizeObserver(keep);
    watching.observe(room);
    return () => watching.disconnect();
  }, [shown]);
  const entry = at ? (looking.select ?? "") : (hues[0]?.steps[0]?.key ?? "");
  return (
    <Box
      ref={sheet}
      style={(height < LOW ? TIGHT : ROOMY) as CSSProperties}
      role="grid"
      aria-label="Scales"
      aria-multiselectable
      onKeyDown={onKeyDown}
      data-testid="scales"
    >
      <Heads ladder={ladder} column={column} />
      {hues.map((hue, place) => (
        <ScaleRow
          key={hue.id}
          hue={hue}
          height={height}
          apart={place > 0 && hues[place - 1]?.kind !== hue.kind}
          columns={columns}
          selected={hue === row || looking.select === hue.key ? (looking.select ?? null) : null}
          entry={hueOf(entry) === hue.id ? entry : null}
          column={column}
          print={print}
          chosen={chosen}
          figures={figures}
          onSelect={select}
          onSelectRow={selectRow}
          onMoveBefore={moveBefore}
        />
      ))}
    </Box>
  );
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

/** One scale alone is tall enough to be judged from afar. */
const ALONE = 300;
/** In a low row, two lines of text and the mark of the hue's own color share all of its height. */
const LOW = 44;
const TIGHT = { "--text-top": "2px", "--own-foot": "0px", "--mark-top": "18px" };
const ROOMY = { "--text-top": "5px", "--own-foot": "5px", "--mark-top": "2px" };

/** The keys of all steps in the rows and columns between two. */
function between(hues: HueView[], one: string, other: string): string[] {
  const [from, to] = [locate(hues, one), locate(hues, other)];
  if (!from || !to) return [other];
  const inside = (at: number, a: number, b: number) => at >= Math.min(a, b) && at <= Math.max(a, b);
  const keys = hues
    .filter((_, row) => inside(row, from.row, to.row))
    .flatMap((hue) => hue.steps.filter((step) => inside(step.column, from.column, to.column)))
    .map((step) => step.key);
  return keys.length > 1 ? keys : [];
}

function locate(hues: HueView[], key: string): { row: number; step: number; column: number } | null {
  for (const [row, hue] of hues.entries()) {
    const step = hue.steps.findIndex((each) => each.key === key);
    const found = hue.steps[step];
    if (found) return { row, step, column: found.column };
  }
  return null;
}
