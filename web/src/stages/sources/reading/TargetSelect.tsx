/** The hue or the step that a line goes to. All others are listed only once they are asked for: lines may be hundreds. */
import { useState } from "react";
import styles from "./row.module.css";

export interface Target {
  value: string;
  words: string;
  /** Under which they stand in the list. */
  group: string;
}

interface Props {
  label: string;
  value: string;
  words: string;
  targets: () => Target[];
  onChoose: (value: string) => void;
}

export function TargetSelect({ label, value, words, targets, onChoose }: Props) {
  const [asked, setAsked] = useState(false);
  const every = asked ? targets() : [];
  const groups = [...new Set(every.map((each) => each.group))];
  return (
    <select
      className={styles.target}
      aria-label={label}
      value={value}
      onFocus={() => setAsked(true)}
      onPointerDown={() => setAsked(true)}
      onChange={(event) => onChoose(event.target.value)}
    >
      {value !== "" && !every.some((each) => each.value === value) && <option value={value}>{words}</option>}
      <option value="">nothing</option>
      {groups.map((group) => (
        <optgroup key={group} label={group}>
          {every
            .filter((each) => each.group === group)
            .map((each) => (
              <option key={each.value} value={each.value}>
                {each.words}
              </option>
            ))}
        </optgroup>
      ))}
    </select>
  );
}
