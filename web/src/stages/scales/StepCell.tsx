/** A step: a flush field of its color. At rest it prints one line; in the selected row and column, all. */
import { memo } from "react";
import type { StepView } from "../../api/client";
import { hatch } from "../../components/hatch";
import { GRADE_WORDS } from "../../components/Ratio";
import type { Print } from "../../workspace/interface";
import { DENSE_COLUMNS } from "./sizes";
import styles from "./step.module.css";

interface Props {
  step: StepView;
  hue: string;
  /** What the contrast is told against. */
  ground: string;
  share: number;
  columns: number;
  flips: boolean;
  selected: boolean;
  entry: boolean;
  told: boolean;
  print: Print;
  /** Whether what falls short on the ground is hatched. */
  hatched: boolean;
  chosen: boolean;
  /** Whether it is shown as it will be once the database is back. */
  waiting: boolean;
  /** What more is printed where one scale stands alone. */
  figures: string | null;
  onSelect: (key: string, how: "alone" | "also" | "through") => void;
}

function Step({
  step,
  hue,
  ground,
  share,
  columns,
  flips,
  selected,
  entry,
  told,
  print,
  hatched,
  chosen,
  waiting,
  figures,
  onSelect,
}: Props) {
  const roomy = share === 1 && columns < DENSE_COLUMNS;
  const whole = selected || figures !== null || (told && print !== "nothing");
  const falls = hatched && !step.passes;
  const contrast = `${step.contrast.text} on ${ground}, ${GRADE_WORDS[step.contrast.grade]}`;
  const marks = `${step.anchor ? ", the hue’s own color" : ""}${step.pinned ? ", pinned" : ""}${step.nudged ? ", nudged" : ""}${step.internal ? ", internal" : ""}${waiting ? ", waiting to be kept" : ""}`;
  return (
    // Focus is moved by the sheet, whose arrow keys walk the steps.
    // biome-ignore lint/a11y/useKeyWithClickEvents: the sheet handles the keys of all its cells
    <div
      role="gridcell"
      tabIndex={entry ? 0 : -1}
      aria-selected={selected || chosen}
      aria-label={`${hue} ${step.label}, ${step.hex}, ${contrast}${figures ? ` ${figures.replaceAll("\n", " ")}` : ""}${marks}`}
      data-key={step.key}
      data-entry={entry || undefined}
      data-hex={step.hex}
      className={styles.step}
      style={{
        background: falls ? `${hatch(step.ink)}, ${step.seen}` : step.seen,
        color: step.ink,
        flexGrow: share,
        fontWeight: selected ? 700 : 400,
      }}
      onClick={(event) =>
        onSelect(step.key, event.shiftKey ? "through" : event.ctrlKey || event.metaKey ? "also" : "alone")
      }
    >
      {flips && <div className={styles.flip} />}
      {roomy && (whole || !falls) && (
        <div className={styles.text}>
          {(whole || print === "values") && <span className={styles.line}>{step.hex} </span>}
          {(whole || print === "contrast") && (
            <span className={styles.line}>
              {figures ? contrast : step.contrast.text}{" "}
              {!figures && <span className={styles.grade}>{step.contrast.grade}</span>}
            </span>
          )}
        </div>
      )}
      {share < 1 && <div className={styles.label}>{step.label}</div>}
      {chosen && <div className={styles.chosen} />}
      {figures && " "}
      {figures && <div className={styles.figures}>{figures}</div>}
      {step.anchor && <div className={styles.own} style={{ background: step.ink }} />}
      {step.pinned && <div className={styles.pinned} style={{ background: step.ink }} />}
      {step.nudged && !step.pinned && (
        <span className={styles.nudged}>{step.nudged === "plus" ? "+" : "−"}</span>
      )}
      {step.internal && <div className={styles.internal} style={{ background: step.ink }} />}
      {step.changed && !step.pinned && !step.nudged && <div className={styles.changed} />}
      {waiting && <div className={styles.waiting} style={{ borderColor: step.ink }} />}
      {selected && <div className={styles.selected} />}
    </div>
  );
}

/** A step is drawn again only where what it shows has changed. */
export const StepCell = memo(Step);
