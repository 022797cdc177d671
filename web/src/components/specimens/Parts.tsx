/** The parts of an interface: actions in all states, messages, fields, text, navigation, a table. */
import { Badge } from "./Badge";
import { Buttons } from "./Buttons";
import { Charts } from "./Charts";
import { DEPARTURES } from "./data";
import styles from "./specimen.module.css";

const ALERTS = [
  ["success", "Booked. Your tickets are in the app."],
  ["warning", "Nearly full: 8 of 96 places are left."],
  ["error", "The 12:05 to Pellan is cancelled."],
  ["information", "Gate B opens at 14:00."],
] as const;

export function Parts() {
  return (
    <div className={styles.page} data-colors="surface.page text.plain">
      <nav
        className={styles.nav}
        data-place="navigation"
        data-wide
        aria-label="Specimen"
        data-colors="surface.card border.divider"
      >
        {["Sailings", "Tickets", "Islands"].map((words, place) => (
          <span
            key={words}
            className={place === 0 ? styles.here : ""}
            data-colors={place === 0 ? "text.strong action.main.fill" : "text.plain"}
          >
            {words}
          </span>
        ))}
      </nav>
      <div className={styles.columns}>
        <div className={styles.stack}>
          <Buttons families={["main", "second", "quiet"]} />
          <div className={styles.wrap}>
            {ALERTS.map(([state], place) => (
              <Badge key={state} state={state}>
                {["On time", "12 min late", "Cancelled", "Gate change"][place] ?? ""}
              </Badge>
            ))}
          </div>
          {ALERTS.map(([state, words]) => (
            <div
              key={state}
              className={`${styles.alert} ${styles[state]}`}
              data-place="alert"
              data-colors={`status.${state}-surface status.${state}-text status.${state}-border`}
            >
              {words}
            </div>
          ))}
        </div>
        <div className={styles.stack}>
          <div className={styles.heading} data-colors="text.strong">
            Skarvik to Tarnsey
          </div>
          <div>
            Four sailings on Tuesday.{" "}
            <span className={styles.link} data-acts data-colors="link.text">
              Fares and discounts
            </span>{" "}
            <span className={styles.visited} data-colors="link.text-visited">
              seen before
            </span>
          </div>
          <div className={styles.faint} data-colors="text.faint">
            Places are held for ten minutes.
          </div>
          <Field label="Name on the ticket" value="Ines Vahl" />
          <Field label="Date" value="31 April" error="April has 30 days. Choose another date." />
          <Table />
        </div>
      </div>
      <Charts />
    </div>
  );
}

function Field({ label, value, error }: { label: string; value: string; error?: string }) {
  return (
    <div>
      <div className={styles.small}>{label}</div>
      <div
        className={`${styles.field} ${error ? styles.wrong : ""}`}
        data-place="field"
        data-colors={`surface.card text.strong ${error ? "status.error" : "border.plain"}`}
      >
        {value}
      </div>
      <div
        className={error ? styles.errorText : styles.faint}
        data-colors={error ? "status.error-text" : "text.faint"}
      >
        {error ?? "As it stands in the passport."}
      </div>
    </div>
  );
}

function Table() {
  return (
    <div className={styles.table} data-place="table" data-colors="surface.card border.divider">
      <div className={styles.tableHead} data-place="table-head" data-colors="surface.well text.faint">
        <span>Departure</span>
        <span>Vessel</span>
        <span>Places</span>
      </div>
      {DEPARTURES.slice(0, 4).map((each, place) => (
        <div
          key={each.time}
          className={`${styles.tableRow} ${place === 1 ? styles.selected : place === 2 ? styles.rowHovered : ""}`}
          data-colors={
            place === 1
              ? "selection.fill selection.label"
              : place === 2
                ? "action.quiet.fill-hovered"
                : "text.plain"
          }
        >
          <span className={styles.mono}>{each.time}</span>
          <span>{each.vessel}</span>
          <span className={styles.mono}>{Math.round((96 * (100 - each.load)) / 100)}</span>
        </div>
      ))}
    </div>
  );
}
