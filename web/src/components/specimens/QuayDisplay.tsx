/** The display on the quay, read from ten metres, in sunlight. */
import { DEPARTURES } from "./data";
import styles from "./specimen.module.css";

export function QuayDisplay() {
  return (
    <div className={styles.quay} data-place="quay" data-colors="surface.board text.on-board">
      <div className={styles.quayHead} data-place="quay-head" data-colors="surface.brand text.on-brand">
        <span>Quay 1</span>
        <span className={styles.mono}>07:31</span>
      </div>
      {DEPARTURES.filter((each) => each.quay === "1").map((each) => (
        <div key={each.time} className={styles.quayRow} data-place="quay-row" data-colors="text.on-board">
          <span className={styles.mono}>{each.time}</span>
          <span>{each.route.split("–")[1]}</span>
          <span className={styles.quayState} data-colors={`status.${each.state} text.on-board`}>
            <span className={`${styles.quayDot} ${styles[each.state]}`} />
            {each.words}
          </span>
        </div>
      ))}
      <div className={styles.quayFoot} data-colors="text.on-board-faint">
        Boarding ends five minutes before departure. Dogs on a lead.
      </div>
    </div>
  );
}
