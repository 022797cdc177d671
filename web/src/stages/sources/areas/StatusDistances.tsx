/** The distances of all pairs under every vision, before and after; what falls short is underlined. */

import type { StatusView } from "../../../api/client";
import { VISION_WORDS, VISIONS } from "../../../workspace/look";
import styles from "./distances.module.css";

const SEEN = VISIONS.filter((vision) => vision !== "achromat");

export function StatusDistances({ answer }: { answer: StatusView }) {
  const names = [...new Set(answer.pairs.map((pair) => `${pair.one} and ${pair.other}`))];
  return (
    <table className={styles.distances} data-testid="status-distances">
      <thead>
        <tr>
          <th scope="col">Least CIEDE2000 before and after; {answer.threshold} needed</th>
          {SEEN.map((vision) => (
            <th key={vision} scope="col">
              {VISION_WORDS[vision]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {names.map((name) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            {SEEN.map((vision) => {
              const pair = answer.pairs.find(
                (each) => each.vision === vision && `${each.one} and ${each.other}` === name,
              );
              return (
                <td key={vision}>
                  <span className={pair?.held_before ? styles.holds : styles.short}>{pair?.before}</span> to{" "}
                  <span className={pair?.holds ? styles.now : styles.short}>{pair?.after}</span>
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
