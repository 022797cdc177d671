/** The sheet of scales. Arrow keys walk it; what is selected fills the slip. */
import { Box, Flex } from "@chakra-ui/react";
import { type CSSProperties, type KeyboardEvent, useCallback, useEffect, useRef, useState } from "react";
import type { HueView, StepView } from "../../api/client";
import { useInterface } from "../../state/interface";
import { useLooking } from "../../state/looking";
import { useMoveHue } from "../../state/useMoveHue";
import { useView } from "../../state/workspace";
import { GROUP_GAP, LABELS_WIDTH, rowHeight } from "./measures";
import { StepCell } from "./StepCell";
import styles from "./sheet.module.css";

export function ScaleSheet() {
  const { hues, ladder } = useView();
  const { looking, look, area } = useLooking();
  const { print } = useInterface();
  const sheet = useRef<HTMLDivElement>(null);
  const columns = ladder.steps.length;
  const at = locate(hues, looking.select ?? "");
  const row = hues[at?.row ?? -1];
  const column = at?.column ?? null;

  const groups = hues.filter((hue, place) => place > 0 && hues[place - 1]?.kind !== hue.kind).length + 1;
  const height = rowHeight(hues.length, groups);
  const { moveBy, moveBefore } = useMoveHue();
  const [dragged, setDragged] = useState<string | null>(null);

  const select = useCallback((key: string) => look({ select: key }), [look]);

  const go = (to: StepView | undefined) => {
    if (!to) return;
    look({ select: to.key });
    sheet.current?.querySelector<HTMLElement>(`[data-key="${CSS.escape(to.key)}"]`)?.focus();
  };
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
    if (event.key === "ArrowRight") go(steps[place.step + 1]);
    else if (event.key === "ArrowLeft") go(steps[place.step - 1]);
    else if (event.key === "ArrowDown") go(beside(1));
    else if (event.key === "ArrowUp") go(beside(-1));
    else if (event.key === "Home") go(steps[0]);
    else if (event.key === "End") go(steps.at(-1));
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
      onKeyDown={onKeyDown}
      data-testid="scales"
    >
      <Flex role="row" marginLeft={`${LABELS_WIDTH}px`} marginTop="4px" marginBottom="4px">
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
      {hues.map((hue, place) => (
        <Flex
          key={hue.id}
          role="row"
          height={`${height}px`}
          marginTop={place > 0 && hues[place - 1]?.kind !== hue.kind ? `${GROUP_GAP}px` : "0"}
          data-row={hue.name}
        >
          {/* biome-ignore lint/a11y/useFocusableInteractive: its button is reached by pointer, its steps by keys */}
          <div role="rowheader" className={styles.row} style={{ width: LABELS_WIDTH }}>
            <button
              type="button"
              className={styles.hue}
              tabIndex={-1}
              style={{ textDecoration: looking.select === hue.key ? "underline" : "none" }}
              title="Drag to another place, or Alt with the arrow keys"
              draggable
              onClick={() => look({ select: hue.key })}
              onDragStart={() => setDragged(hue.id)}
              onDragEnd={() => setDragged(null)}
              onDragOver={(event) => event.preventDefault()}
              onDrop={() => dragged && moveBefore(dragged, hue.id)}
            >
              <span className={styles.name}>{hue.name}</span>{" "}
              <span className={styles.kind}>{hue.status ?? hue.kind}</span>
            </button>
          </div>
          {hue.steps.map((step, index) => (
            <StepCell
              key={step.id}
              step={step}
              hue={hue.name}
              share={1 / hue.steps.filter((other) => other.column === step.column).length}
              columns={columns}
              flips={index > 0 && hue.steps[index - 1]?.passes !== step.passes}
              selected={step.key === looking.select}
              entry={step.key === entry}
              told={row?.id === hue.id || (column === step.column && at !== null)}
              print={print}
              onSelect={select}
            />
          ))}
        </Flex>
      ))}
    </Box>
  );
}

/** In a low row, two lines of text and the mark of the hue's own color share all of its height. */
const LOW = 44;
const TIGHT = { "--text-top": "2px", "--own-foot": "0px", "--mark-top": "18px" };
const ROOMY = { "--text-top": "5px", "--own-foot": "5px", "--mark-top": "2px" };

function locate(hues: HueView[], key: string): { row: number; step: number; column: number } | null {
  for (const [row, hue] of hues.entries()) {
    const step = hue.steps.findIndex((each) => each.key === key);
    const found = hue.steps[step];
    if (found) return { row, step, column: found.column };
  }
  return null;
}
