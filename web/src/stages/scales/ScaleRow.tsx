/** The scale of a hue on the sheet: its name, by which it is chosen and dragged, and its steps edge to edge. */
import { type MouseEvent, memo } from "react";
import type { HueView, ScaleDetail, StepView } from "../../api/client";
import type { Print } from "../../workspace/interface";
import { StepCell } from "./StepCell";
import styles from "./sheet.module.css";
import { GROUP_GAP, LABELS_WIDTH } from "./sizes";

interface Props {
  hue: HueView;
  steps: StepView[];
  /** What contrasts are told against. */
  ground: string;
  height: number;
  /** Whether another kind begins here. */
  apart: boolean;
  columns: number;
  /** The keys of what is selected and of what Tab comes to, where they are in this row. */
  selected: string | null;
  entry: string | null;
  /** The column of the selected step. */
  column: number | null;
  print: Print;
  /** Whether what falls short on the ground is hatched. */
  hatched: boolean;
  /** The keys that are chosen in this row, one after another: none where nothing is. */
  chosen: string;
  /** What more is printed where one scale stands alone. */
  figures: ScaleDetail["figures_of"] | null;
  onSelect: (key: string, how: "alone" | "also" | "through") => void;
  onSelectRow: (event: MouseEvent, hue: string) => void;
  /** Where a dragged hue would be put. */
  line: "before" | "after" | null;
  /** The keys of steps that are shown as they will be once the database is back. */
  waiting: ReadonlySet<string>;
}

/** The scale of a hue, drawn again only where it or what is selected in it has changed. */
export const ScaleRow = memo(function ScaleRow({
  hue,
  steps,
  chosen,
  selected,
  column,
  figures,
  ...props
}: Props) {
  const chosenHere = new Set(chosen ? chosen.split(" ") : []);
  const here = selected !== null && selected !== hue.key;
  return (
    // A row is read, not reached: the arrow keys walk its steps.
    // biome-ignore lint/a11y/useFocusableInteractive: see above
    <div
      role="row"
      className={styles.scale}
      style={{ height: props.height, marginTop: props.apart ? GROUP_GAP : 0 }}
      data-row={hue.name}
      data-drag={hue.id}
    >
      {props.line && <div className={props.line === "before" ? styles.before : styles.after} />}
      {/* biome-ignore lint/a11y/useFocusableInteractive: its button is reached by pointer, its steps by keys */}
      <div role="rowheader" className={styles.row} style={{ width: LABELS_WIDTH }}>
        <button
          type="button"
          className={styles.hue}
          tabIndex={-1}
          style={{ textDecoration: selected === hue.key ? "underline" : "none" }}
          title="Drag to another place, or Alt with the arrow keys; with Shift or Ctrl, all of its steps"
          draggable
          onClick={(event) => props.onSelectRow(event, hue.id)}
        >
          <span className={styles.name} title={hue.name}>
            {hue.name}
          </span>{" "}
          <span className={styles.kind}>{[hue.status ?? hue.kind, ...ownWords(hue)].join(", ")}</span>
        </button>
      </div>
      {steps.map((step, index) => (
        <StepCell
          key={step.id}
          step={step}
          hue={hue.name}
          ground={props.ground}
          share={1 / steps.filter((other) => other.column === step.column).length}
          columns={props.columns}
          flips={index > 0 && steps[index - 1]?.passes !== step.passes}
          selected={step.key === selected}
          entry={step.key === props.entry}
          told={here || column === step.column}
          print={props.print}
          hatched={props.hatched}
          chosen={chosenHere.has(step.key)}
          waiting={props.waiting.has(step.key)}
          figures={figures && figureOf(figures[index])}
          onSelect={props.onSelect}
        />
      ))}
    </div>
  );
});

const figureOf = (step: ScaleDetail["figures_of"][number] | undefined) =>
  step ? `L* ${step.lightness.toFixed(1)}\nC ${step.has.toFixed(3)}\nh ${step.turn.toFixed(0)}°` : null;

/** What sets a scale apart from all others. */
const ownWords = (hue: HueView) => [
  ...(hue.held ? ["held"] : []),
  ...(hue.own_curves ? ["own curves"] : []),
  ...(hue.own_method ? ["own method"] : []),
];
