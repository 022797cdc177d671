/** Bars by period, the categories stacked with a gap between them, or side by side. */
import { scaleBand, scaleLinear } from "d3-scale";
import { memo } from "react";
import { type Box, Boxes } from "./Boxes";
import { EndLabels } from "./EndLabels";
import { type GridData, HEIGHT, MARGIN, numberText, placeOf, type Series, type Told, WIDTH } from "./frame";
import styles from "./marks.module.css";
import { ColumnNames, Title } from "./Words";

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
  const labeled = told.includes("label") && shape === "stacked";
  const right = WIDTH - (labeled ? MARGIN.right : 8);
  const x = scaleBand(grid.columns, [MARGIN.left, right]).padding(0.18);
  const spans = spansOf(grid, shape);
  const ends = spans.flat().flatMap((span) => span ?? []);
  const [low, high] = [Math.min(0, ...ends), Math.max(0, ...ends)];
  const y = scaleLinear([low, Math.max(high, low + 1e-9)], [HEIGHT - MARGIN.bottom, MARGIN.top]).nice(3);
  const inner = scaleBand(series.names, [0, x.bandwidth()]);
  const stacked = shape === "stacked";
  const boxes = spans.flatMap((row, category) =>
    row.flatMap((span, period): Box[] => {
      const name = grid.columns[period] ?? "";
      const value = grid.values[category]?.[period];
      if (!span || value === null || value === undefined) return [];
      const called = series.names[category] ?? "";
      const top = y(Math.max(...span));
      return [
        {
          place: placeOf(series, category, lit),
          x: (x(name) ?? 0) + (stacked ? 0 : (inner(called) ?? 0)),
          y: top,
          width: stacked ? x.bandwidth() : Math.max(inner.bandwidth() - gap, 0.5),
          height: Math.max(y(Math.min(...span)) - top - (stacked ? gap : 0), 0),
          words: `${called}, ${name}: ${numberText(value)}`,
        },
      ];
    }),
  );
  const middles = spans.map((row) => {
    const [from, to] = row.at(-1) ?? [0, 0];
    return y((from + to) / 2);
  });
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={`${grid.title}, ${shape} bars`}
    >
      <Title>{`${grid.title}, ${shape}`}</Title>
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <line x1={MARGIN.left} x2={right} y1={y(tick)} y2={y(tick)} className={styles.line} />
          <text x={MARGIN.left - 4} y={y(tick) + 3} textAnchor="end">
            {numberText(tick)}
          </text>
        </g>
      ))}
      {low < 0 && <line x1={MARGIN.left} x2={right} y1={y(0)} y2={y(0)} className={styles.zero} />}
      <Boxes boxes={boxes} className={told.includes("outline") ? styles.outlined : undefined} />
      <ColumnNames
        names={grid.columns}
        at={(period) => (x(grid.columns[period] ?? "") ?? 0) + x.bandwidth() / 2}
        wide={x.step()}
        ends={[MARGIN.left, right]}
        y={HEIGHT - 6}
      />
      {labeled && <EndLabels names={series.names} wished={middles} at={right} />}
    </svg>
  );
});

/** From where to where each bar goes, by category and period: stacked, what is below zero hangs under it. */
export function spansOf(grid: GridData, shape: Props["shape"]): ([number, number] | null)[][] {
  const above = grid.columns.map(() => 0);
  const below = grid.columns.map(() => 0);
  return grid.values.map((row) =>
    row.map((value, period) => {
      if (value === null) return null;
      if (shape === "grouped") return [0, value];
      const ends = value < 0 ? below : above;
      const from = ends[period] ?? 0;
      ends[period] = from + value;
      return [from, from + value];
    }),
  );
}
