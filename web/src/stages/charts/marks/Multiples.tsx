/** One small chart a category, all of one scale, so that shapes are compared and not colors alone. */
import { scaleLinear, scalePoint } from "d3-scale";
import { area } from "d3-shape";
import { memo } from "react";
import { aloneIn, fillOf, type GridData, HEIGHT, placeOf, type Series, type Told, WIDTH } from "./frame";
import styles from "./marks.module.css";
import { Title } from "./Words";

interface Props {
  grid: GridData;
  series: Series;
  lit: number | null;
  ink: string;
  told: Told;
}

const TOP = 22;
const LABEL = 14;

export const Multiples = memo(function Multiples({ grid, series, lit, ink, told }: Props) {
  const across = Math.ceil(Math.sqrt(series.names.length));
  const down = Math.ceil(series.names.length / across);
  const [wide, high] = [WIDTH / across, (HEIGHT - TOP) / down];
  const values = grid.values.flat().map((each) => each ?? 0);
  const low = Math.min(0, ...values);
  const x = scalePoint(grid.columns, [0, wide - 10]);
  const y = scaleLinear([low, Math.max(low + 1e-9, ...values)], [high - 4, LABEL]);
  const shape = area<number | null>()
    .defined((value) => value !== null)
    .x((_, place) => x(grid.columns[place] ?? "") ?? 0)
    .y0(y(0))
    .y1((value) => y(value ?? 0));
  /** What stands without neighbors, which an area does not show. */
  const alone = (row: readonly (number | null)[]) =>
    aloneIn(row)
      .map((place) => `M${(x(grid.columns[place] ?? "") ?? 0) - 1.5} ${y(0)}h3V${y(row[place] ?? 0)}h-3z`)
      .join("");
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={`${grid.title}, one chart a category`}
    >
      <Title>{`${grid.title}, each alone`}</Title>
      {series.names.map((name, category) => (
        <g
          key={name}
          transform={`translate(${(category % across) * wide} ${TOP + Math.floor(category / across) * high})`}
        >
          <text x={0} y={9}>
            {name.length > 18 ? `${name.slice(0, 17)}…` : name}
          </text>
          <path
            d={(shape(grid.values[category] ?? []) ?? "") + alone(grid.values[category] ?? [])}
            className={`${fillOf(placeOf(series, category, lit))} ${told.includes("outline") ? styles.outlined : ""}`}
          />
          <line x1={0} x2={wide - 10} y1={y(0)} y2={y(0)} className={styles.line} />
        </g>
      ))}
    </svg>
  );
});
