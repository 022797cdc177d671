/** Lines by category over periods, each labeled directly at its end; or the same as areas, one on another. */
import { scaleLinear, scalePoint } from "d3-scale";
import { area, line, stack } from "d3-shape";
import { memo } from "react";
import { EndLabels } from "./EndLabels";
import {
  aloneIn,
  dashOf,
  fillOf,
  type GridData,
  HEIGHT,
  MARGIN,
  numberText,
  placeOf,
  type Series,
  shapeOf,
  strokeOf,
  type Told,
  WIDTH,
} from "./frame";
import styles from "./marks.module.css";
import { ColumnNames, Title } from "./Words";

interface Props {
  grid: GridData;
  series: Series;
  lit: number | null;
  ink: string;
  told: Told;
  area?: boolean;
}

export const Lines = memo(function Lines({ grid, series, lit, ink, told, area: areas = false }: Props) {
  const x = scalePoint(grid.columns, [MARGIN.left, WIDTH - MARGIN.right]);
  const stacked = areas ? stacksOf(grid) : [];
  const values = areas
    ? stacked.flat().map((each) => each[1])
    : grid.values.flat().filter((each) => each !== null);
  const low = Math.min(0, ...values);
  const y = scaleLinear([low, Math.max(low + 1e-9, ...values)], [HEIGHT - MARGIN.bottom, MARGIN.top]).nice(3);
  const at = (place: number) => x(grid.columns[place] ?? "") ?? 0;
  const path = line<number | null>()
    .defined((value) => value !== null)
    .x((_, place) => at(place))
    .y((value) => y(value ?? 0));
  const layered = area<[number, number]>()
    .x((_, place) => at(place))
    .y0((each) => y(each[0]))
    .y1((each) => y(each[1]));
  // A single period has no way along which an area could go: it takes the whole width.
  const filled = (layer: [number, number][]) => {
    const [low, high] = layer[0] ?? [0, 0];
    if (layer.length > 1) return layered(layer);
    return `M${MARGIN.left} ${y(low)}H${WIDTH - MARGIN.right}V${y(high)}H${MARGIN.left}z`;
  };
  const edge = told.includes("outline") ? styles.outlined : told.includes("gap") ? styles.parted : "";
  // Of very many periods every nth has a marker.
  const every = Math.max(1, Math.ceil(grid.columns.length / 8));
  const ends = grid.values.map((row, category) => {
    const top = stacked[category]?.at(-1);
    if (areas && top) return y((top[0] + top[1]) / 2);
    return y(row.reduce((last, value) => value ?? last, 0) ?? 0);
  });
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={`${grid.title}, by ${grid.columns[0]} to ${grid.columns.at(-1)}`}
    >
      <Title>{areas ? `${grid.title}, added up` : grid.title}</Title>
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <line
            x1={MARGIN.left}
            x2={WIDTH - MARGIN.right}
            y1={y(tick)}
            y2={y(tick)}
            className={styles.line}
          />
          <text x={MARGIN.left - 4} y={y(tick) + 3} textAnchor="end">
            {numberText(tick)}
          </text>
        </g>
      ))}
      <ColumnNames
        names={grid.columns}
        at={at}
        wide={x.step() || WIDTH - MARGIN.left - MARGIN.right}
        ends={[MARGIN.left, WIDTH - MARGIN.right]}
        y={HEIGHT - 6}
      />
      {grid.values.map((row, category) => {
        const name = series.names[category] ?? "";
        const place = placeOf(series, category, lit);
        const shown = stacked[category];
        return (
          <g key={name}>
            {shown ? (
              <path d={filled(shown) ?? ""} className={`${fillOf(place)} ${edge}`} />
            ) : (
              <>
                {told.includes("outline") && <path d={path(row) ?? ""} className={styles.casing} />}
                <path
                  d={path(row) ?? ""}
                  style={{ strokeDasharray: dashOf(told, category) }}
                  className={`${styles.series} ${strokeOf(place)}`}
                />
                {!told.includes("marker") && (
                  <path
                    d={aloneIn(row)
                      .map((place) => shapeOf(0, at(place), y(row[place] ?? 0)))
                      .join("")}
                    className={fillOf(place)}
                  />
                )}
                {told.includes("marker") && (
                  <path
                    d={row
                      .map((value, place) =>
                        value === null || place % every > 0 ? "" : shapeOf(category, at(place), y(value)),
                      )
                      .join("")}
                    className={fillOf(place)}
                  />
                )}
              </>
            )}
          </g>
        );
      })}
      <EndLabels
        names={series.names}
        wished={ends}
        at={WIDTH - MARGIN.right}
        color={(category) => strokeOf(placeOf(series, category, lit))}
      />
    </svg>
  );
});

function stacksOf(grid: GridData): [number, number][][] {
  const rows = grid.columns.map((_, period) => grid.values.map((row) => row[period] ?? 0));
  const keys = grid.values.map((_, category) => category);
  return stack<number[], number>()
    .keys(keys)
    .value((row, category) => Math.max(row[category] ?? 0, 0))(rows)
    .map((one) => one.map((each) => [each[0], each[1]]));
}
