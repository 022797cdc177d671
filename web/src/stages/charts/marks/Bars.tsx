/** Bars by period, the categories stacked with a gap between them, or side by side. */
import { scaleBand, scaleLinear } from "d3-scale";
import { memo } from "react";
import { EndLabels } from "./EndLabels";
import {
  fillOf,
  type GridData,
  HEIGHT,
  MARGIN,
  numberText,
  placeOf,
  type Series,
  type Told,
  WIDTH,
} from "./frame";
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
  const outlined = told.includes("outline") ? styles.outlined : "";
  const labeled = told.includes("label") && shape === "stacked";
  const right = WIDTH - (labeled ? MARGIN.right : 8);
  const x = scaleBand(grid.columns, [MARGIN.left, right]).padding(0.18);
  const inner = scaleBand(series.names, [0, x.bandwidth()]);
  const sums = grid.columns.map((_, period) =>
    grid.values.reduce((sum, row) => sum + Math.max(row[period] ?? 0, 0), 0),
  );
  const most =
    shape === "stacked" ? Math.max(...sums) : Math.max(...grid.values.flat().map((each) => each ?? 0));
  const y = scaleLinear([0, Math.max(most, 1e-9)], [HEIGHT - MARGIN.bottom, MARGIN.top]).nice(3);
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
      {grid.columns.map((name, period) => {
        let under = 0;
        return (
          <g key={name}>
            {grid.values.map((row, category) => {
              const value = Math.max(row[period] ?? 0, 0);
              const from = under;
              under += value;
              const category_name = series.names[category] ?? "";
              const own = shape === "stacked";
              const top = y(own ? under : value);
              const foot = y(own ? from : 0);
              return (
                <rect
                  key={category_name}
                  x={(x(name) ?? 0) + (own ? 0 : (inner(category_name) ?? 0))}
                  width={own ? x.bandwidth() : Math.max(inner.bandwidth() - gap, 0.5)}
                  y={top}
                  height={Math.max(foot - top - (own ? gap : 0), 0)}
                  className={`${fillOf(placeOf(series, category, lit))} ${outlined}`}
                >
                  <title>{`${category_name}, ${name}: ${numberText(value)}`}</title>
                </rect>
              );
            })}
            {(grid.columns.length <= 8 || period === 0 || period === grid.columns.length - 1) && (
              <text x={(x(name) ?? 0) + x.bandwidth() / 2} y={HEIGHT - 6} textAnchor="middle">
                {name}
              </text>
            )}
          </g>
        );
      })}
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
