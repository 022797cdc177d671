/** Bars by period, the categories stacked with a gap between them, or side by side. */
import { scaleBand, scaleLinear } from "d3-scale";
import { memo } from "react";
import { type Box, Boxes } from "./Boxes";
import { EndLabels } from "./EndLabels";
import { type GridData, HEIGHT, MARGIN, numberText, placeOf, type Series, type Told, WIDTH } from "./frame";
import styles from "./marks.module.css";

interface Props {
  grid: GridData;
  series: Series;
  lit: number | null;
  ink: string;
  shape: "stacked" | "grouped";
  told: Told;
}

export const Bars = memo(function Bars({ grid, series, lit, ink, shape, told }: Props) {
  // Touching colors are parted by the ground, where the palette says so.
  const gap = told.includes("gap") ? 1 : 0;
  const stacked = shape === "stacked";
  const labeled = told.includes("label") && stacked;
  const right = WIDTH - (labeled ? MARGIN.right : 8);
  const x = scaleBand(grid.columns, [MARGIN.left, right]).padding(0.18);
  const inner = scaleBand(series.names, [0, x.bandwidth()]);
  const sums = grid.columns.map((_, period) =>
    grid.values.reduce((sum, row) => sum + Math.max(row[period] ?? 0, 0), 0),
  );
  const most = stacked ? Math.max(...sums) : Math.max(...grid.values.flat().map((each) => each ?? 0));
  const y = scaleLinear([0, Math.max(most, 1e-9)], [HEIGHT - MARGIN.bottom, MARGIN.top]).nice(3);
  const boxes: Box[] = [];
  for (const [period, name] of grid.columns.entries()) {
    let under = 0;
    for (const [category, row] of grid.values.entries()) {
      const value = Math.max(row[period] ?? 0, 0);
      const called = series.names[category] ?? "";
      const from = stacked ? under : 0;
      const top = y(from + value);
      under += value;
      boxes.push({
        place: placeOf(series, category, lit),
        x: (x(name) ?? 0) + (stacked ? 0 : (inner(called) ?? 0)),
        y: top,
        width: stacked ? x.bandwidth() : Math.max(inner.bandwidth() - gap, 0.5),
        height: Math.max(y(from) - top - (stacked ? gap : 0), 0),
        words: `${called}, ${name}: ${numberText(value)}`,
      });
    }
  }
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={`${grid.title}, ${shape} bars`}
    >
      <text x={0} y={12} className={styles.title}>
        {grid.title}, {shape}
      </text>
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <line x1={MARGIN.left} x2={right} y1={y(tick)} y2={y(tick)} className={styles.line} />
          <text x={MARGIN.left - 4} y={y(tick) + 3} textAnchor="end">
            {numberText(tick)}
          </text>
        </g>
      ))}
      <Boxes boxes={boxes} className={told.includes("outline") ? styles.outlined : undefined} />
      {grid.columns.map((name, period) =>
        grid.columns.length <= 8 || period === 0 || period === grid.columns.length - 1 ? (
          <text key={name} x={(x(name) ?? 0) + x.bandwidth() / 2} y={HEIGHT - 6} textAnchor="middle">
            {name}
          </text>
        ) : null,
      )}
      {labeled && <EndLabels names={series.names} wished={middles(grid, y)} at={right} />}
    </svg>
  );
});

/** The heights at which the parts of the last bar have their middles. */
function middles(grid: GridData, y: (value: number) => number): number[] {
  let under = 0;
  return grid.values.map((row) => {
    const value = Math.max(row.at(-1) ?? 0, 0);
    under += value;
    return y(under - value / 2);
  });
}
