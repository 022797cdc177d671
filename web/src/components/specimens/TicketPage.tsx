/** The passengers' ticket page: sailings, a seat map, fares, what it comes to. */
import { Badge } from "./Badge";
import { Button } from "./Buttons";
import { DEPARTURES, SEATS } from "./data";
import styles from "./specimen.module.css";

const SEAT_COLORS: Record<string, string> = {
  f: "surface.card border.plain",
  t: "surface.well text.faint",
  c: "action.main.fill action.main.label",
};

export function TicketPage() {
  return (
    <div className={styles.page} data-colors="surface.page text.plain">
      <div
        className={styles.brand}
        data-place="ticket-head"
        data-wide
        data-colors="surface.brand text.on-brand"
      >
        <div className={styles.title}>Skarvik to Tarnsey</div>
        <div>Tuesday, 4 sailings, 55 minutes</div>
      </div>
      <div className={styles.columns}>
        <div>
          {DEPARTURES.slice(0, 5).map((each, place) => (
            <div
              key={each.time}
              className={`${styles.sailing} ${place === 0 ? styles.selected : ""}`}
              data-place="sailing"
              data-colors={place === 0 ? "selection.fill selection.label" : "border.divider"}
            >
              <span className={styles.time} data-colors="text.strong">
                {each.time}
              </span>
              <div>
                <div className={styles.strong} data-colors="text.strong">
                  {each.vessel}
                </div>
                <div className={styles.faint} data-colors="text.faint">
                  {each.load === 0 ? "Sea state 7" : `${96 - each.load} of 96 places left`}
                </div>
              </div>
              <Badge state={each.state}>{each.words}</Badge>
            </div>
          ))}
        </div>
        <div className={styles.stack}>
          <SeatMap />
          <div className={styles.card} data-place="price" data-colors="surface.card border.divider">
            {[
              ["2 adults", "24.00"],
              ["1 bicycle", "6.00"],
              ["Together", "30.00"],
            ].map(([words, price], place) => (
              <div
                key={words}
                className={`${styles.price} ${place === 2 ? styles.strong : ""}`}
                data-colors={place === 2 ? "text.strong" : "text.plain"}
              >
                <span>{words}</span>
                <span className={styles.mono}>{price}</span>
              </div>
            ))}
            <div className={styles.wrap}>
              <Button family="main">Book 3</Button>
              <Button family="second">Other times</Button>
              <span className={styles.link} data-acts data-colors="link.text">
                Fares
              </span>
            </div>
          </div>
        </div>
      </div>
    </div>
  );
}

function SeatMap() {
  return (
    <div className={styles.card} data-place="seat-map" data-colors="surface.card border.divider">
      <div className={styles.strong} data-colors="text.strong">
        Upper deck
      </div>
      <div className={styles.seats}>
        {SEATS.map((row, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a row of seats is its place
          <div key={at} className={styles.seatRow}>
            <span className={styles.faint}>{at + 1}</span>
            {[...row].map((seat, place) =>
              seat === " " ? (
                // biome-ignore lint/suspicious/noArrayIndexKey: so is a seat
                <span key={place} className={styles.aisle} />
              ) : (
                <span
                  // biome-ignore lint/suspicious/noArrayIndexKey: so is a seat
                  key={place}
                  className={`${styles.seat} ${styles[`seat_${seat}`]}`}
                  data-acts={seat === "t" ? undefined : true}
                  data-colors={SEAT_COLORS[seat]}
                />
              ),
            )}
          </div>
        ))}
      </div>
      <div className={styles.legend} data-colors="text.faint">
        <span className={`${styles.seat} ${styles.seat_f}`} /> free
        <span className={`${styles.seat} ${styles.seat_t}`} /> taken
        <span className={`${styles.seat} ${styles.seat_c}`} /> yours
      </div>
    </div>
  );
}
