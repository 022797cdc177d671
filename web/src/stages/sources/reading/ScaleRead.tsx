/** Lines that are the steps of a scale: it comes as one hue, or its steps as hues of their own. */
import type { ReadingView } from "../../../api/client";
import { Switch } from "../../../components/Switch";
import styles from "./scale.module.css";

interface Props {
  scale: ReadingView["scales"][number];
  whole: boolean;
  onWhole: (whole: boolean) => void;
}

export function ScaleRead({ scale, whole, onWhole }: Props) {
  const [first, last] = [scale.steps[0]?.label, scale.steps.at(-1)?.label];
  const count = scale.steps.length;
  return (
    <div className={styles.scale} data-read-scale={scale.name}>
      <Switch on={whole} onClick={() => onWhole(!whole)} flexShrink={0}>
        {whole
          ? `${scale.name} as one scale: ${count} steps, ${first} to ${last}; its own color at ${scale.own}`
          : `${scale.name}: its ${count} steps as hues of their own`}
      </Switch>
      <div className={styles.strip} role="img" aria-label={`Steps of ${scale.name}`} data-sample>
        {scale.steps.map((step) => (
          <span
            key={step.label}
            style={{ background: step.seen, color: step.ink }}
            title={`${step.label} ${step.hex}`}
          >
            {step.label}
          </span>
        ))}
      </div>
    </div>
  );
}
