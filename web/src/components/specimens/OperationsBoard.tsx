/** The operations board that the harbor staff watch: every departure with its state, delays, and what needs a hand. */
import { Badge } from "./Badge";
import { Button } from "./Buttons";
import { Charts } from "./Charts";
import { DEPARTURES } from "./data";
import styles from "./specimen.module.css";

export function OperationsBoard() {
  return (
    <div className={styles.page} data-colors="surface.page text.plain">
      <div
        className={styles.boardHead}
        data-place="board-head"
        data-wide
        data-colors="surface.card border.divider"
      >
        <span className={styles.heading} data-colors="text.strong">
          Skarvik, today
        </span>
        <span className={styles.faint} data-colors="text.faint">
          Wind 14 m/s, sea state 5
        </span>
        <span className={styles.end}>
          <Button family="quiet">Log</Button>
          <Button family="main">Call a vessel</Button>
        </span>
      </div>
      <div className={styles.table} data-place="departures" data-colors="surface.card border.divider">
        <div className={`${styles.tableHead} ${styles.wide}`} data-colors="surface.well text.faint">
          <span>Time</span>
          <span>Route</span>
          <span>Vessel</span>
          <span>Quay</span>
          <span>Late</span>
          <span>Load</span>
          <span>State</span>
        </div>
        {DEPARTURES.map((each, place) => (
          <div
            key={each.time}
            className={`${styles.tableRow} ${styles.wide} ${place === 2 ? styles.selected : ""}`}
            data-colors={place === 2 ? "selection.fill selection.label" : "text.plain border.divider"}
          >
            <span className={`${styles.mono} ${styles.strong}`} data-colors="text.strong">
              {each.time}
            </span>
            <span>{each.route}</span>
            <span>{each.vessel}</span>
            <span className={styles.mono}>{each.quay}</span>
            <span
              className={`${styles.mono} ${each.late > 5 ? styles.late : ""}`}
              data-colors={each.late > 5 ? "text.late" : "text.plain"}
            >
              {each.late > 0 ? `+${each.late}` : each.late}
            </span>
            <span
              className={styles.meter}
              data-place="load-meter"
              data-colors="surface.well chart.highlighted"
            >
              <span style={{ width: `${each.load}%` }} />
            </span>
            <span>
              <Badge state={each.state}>{each.words}</Badge>
            </span>
          </div>
        ))}
      </div>
      <div
        className={`${styles.alert} ${styles.error}`}
        data-place="board-alert"
        data-colors="status.error-surface status.error-text status.error-border"
      >
        12:05 Pellan is cancelled: 41 passengers are to be told.
      </div>
      <Charts />
    </div>
  );
}
