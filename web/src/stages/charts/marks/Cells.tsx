/** A heat map or tiles: cells that touch, each in the color of its value. */
import { scaleBand } from "d3-scale";
import { memo, useId } from "react";
import type { ChartsView } from "../../../api/client";
import { type Box, Boxes } from "./Boxes";
import { HEIGHT, numberText, WIDTH } from "./frame";
import { Missing } from "./Missing";
import styles from "./marks.module.css";
import { ColumnNames, Title } from "./Words";

type Grid = NonNullable<ChartsView["ramp"]>["heat"];

const LEFT = 92;
const TOP = 34;

export const Cells = memo(function Cells({ grid, ink }: { grid: Grid; ink: string }) {
  const hatched = useId();
  const x = scaleBand(grid.columns, [LEFT, WIDTH - 4]);
  const y = scaleBand(grid.rows, [TOP, HEIGHT - 6]);
  const boxes: Box[] = [];
  const gaps: Box[] = [];
  for (const [row, name] of grid.rows.entries()) {
    for (const [place, column] of grid.columns.entries()) {
      const value = grid.values[row]?.[place] ?? null;
      (value === null ? gaps : boxes).push({
        place: grid.places[row]?.[place],
        x: x(column) ?? 0,
        y: y(name) ?? 0,
        width: x.bandwidth() + 0.3,
        height: y.bandwidth() + 0.3,
        words: `${name}, ${column}: ${value === null ? "no data" : numberText(value)}`,
      });
    }
  }
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={grid.title}
    >
      <Missing id={hatched} />
      <Title>{grid.title}</Title>
      <ColumnNames
        names={grid.columns}
        at={(place) => (x(grid.columns[place] ?? "") ?? 0) + x.bandwidth() / 2}
        wide={x.step()}
        ends={[LEFT, WIDTH - 4]}
        y={TOP - 6}
      />
      {grid.rows.map((name) => (
        <text key={name} x={LEFT - 6} y={(y(name) ?? 0) + y.bandwidth() / 2 + 3} textAnchor="end">
          {name.length > 17 ? `${name.slice(0, 16)}…` : name}
        </text>
      ))}
      <Boxes boxes={boxes} />
      <Boxes boxes={gaps} fill={`url(#${hatched})`} />
    </svg>
  );
});
