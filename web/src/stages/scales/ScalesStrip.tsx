/** All scales as they are now, low and without figures, while a work area that changes all of them has the sheet. */
import { usePart } from "../../workspace/hooks";
import { LABELS_WIDTH } from "./sizes";
import styles from "./strip.module.css";

interface Props {
  /** Whether the labels of the ladder stand above. */
  labels?: boolean;
  /** The others beside the scale that is selected, which stands above them: thinner, and without their names. */
  others?: boolean;
}

export function ScalesStrip({ labels = false, others = false }: Props) {
  const ladder = usePart("ladder");
  const own = usePart("slip", (slip) => slip?.hue);
  const hues = usePart("hues");
  const scales = usePart("scales");
  const names = new Map(hues.map((hue) => [hue.id, hue.name]));
  const rows = scales.filter((scale) => names.has(scale.hue) && !(others && scale.hue === own));
  const drawn = (
    <div
      className={styles.strip}
      role="img"
      aria-label={`${rows.length} scales, as they are now`}
      data-sample
    >
      {rows.map((scale) => {
        const name = names.get(scale.hue);
        return (
          <div key={scale.hue} className={others ? styles.thin : styles.row} data-row={name}>
            <span className={styles.name} style={{ width: LABELS_WIDTH }}>
              {!others && name}
            </span>
            {scale.steps.map((step) => {
              const sharing = scale.steps.filter((other) => other.column === step.column).length;
              return (
                <span
                  key={step.id}
                  data-hex={step.hex}
                  style={{ background: step.seen, flexGrow: 1 / sharing }}
                />
              );
            })}
          </div>
        );
      })}
    </div>
  );
  if (!labels) return drawn;
  return (
    <>
      <div className={styles.labels} style={{ paddingLeft: LABELS_WIDTH }}>
        {ladder.steps.map((step) => (
          <span key={step.id} data-label>
            {step.label}
          </span>
        ))}
      </div>
      {drawn}
    </>
  );
}
