/** Small charts of the made-up ferry line: bars, a heat map, delays on both sides of a middle. */
import { DELAYS, LOADS, PASSENGERS } from "./data";
import styles from "./specimen.module.css";

export function Charts() {
  return (
    <div className={styles.charts}>
      <Chart title="Passengers by route">
        <div className={styles.bars} data-colors="chart.axis">
          {PASSENGERS.map((height, place) => (
            <div
              key={height}
              style={{ height, background: `var(--chart-series-${place + 1}, var(--action-main-fill))` }}
              data-colors={`chart.series.${place + 1}`}
            />
          ))}
        </div>
      </Chart>
      <Chart title="Load by day and hour">
        <div className={styles.heat}>
          {LOADS.flatMap((row, day) =>
            row.map((load, hour) => (
              <div
                // biome-ignore lint/suspicious/noArrayIndexKey: a place in the week is its identity
                key={`${day} ${hour}`}
                style={{
                  background: `var(--chart-sequential-${load}, var(--surface-well, var(--border-divider)))`,
                }}
                data-colors={`chart.sequential.${load}`}
              />
            )),
          )}
        </div>
      </Chart>
      <Chart title="Minutes late">
        <div className={styles.delays} data-colors="chart.axis">
          {DELAYS.map((late, place) => {
            const at = late < 0 ? (late < -2 ? 2 : 3) : late < 3 ? 4 : late < 15 ? 5 : 7;
            return (
              <div
                // biome-ignore lint/suspicious/noArrayIndexKey: a sailing is its place in the day
                key={place}
                style={{
                  height: Math.abs(late) * 2 + 4,
                  background: `var(--chart-diverging-${at}, var(--text-faint))`,
                  transform: late < 0 ? "translateY(100%)" : "none",
                }}
                data-colors={`chart.diverging.${at}`}
              />
            );
          })}
        </div>
      </Chart>
    </div>
  );
}

function Chart({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div className={styles.card} data-place="chart" data-colors="surface.card border.divider">
      <div className={styles.strong} data-colors="text.strong">
        {title}
      </div>
      {children}
    </div>
  );
}
