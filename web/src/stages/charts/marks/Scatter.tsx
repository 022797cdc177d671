/** Points by category: of very many rows every nth, which is said. */
import { scaleLinear } from "d3-scale";
import { memo } from "react";
import type { ChartsView } from "../../../api/client";
import {
  fillOf,
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
import { Title } from "./Words";

interface Props {
  scatter: NonNullable<NonNullable<ChartsView["categories"]>["scatter"]>;
  series: Series;
  lit: number | null;
  ink: string;
  told: Told;
}

export const Scatter = memo(function Scatter({ scatter, series, lit, ink, told }: Props) {
  const ends = (values: number[]) => [Math.min(...values), Math.max(...values)];
  const right = WIDTH - 8;
  const x = scaleLinear(ends(scatter.points.map((each) => each[0] ?? 0)), [MARGIN.left, right]).nice(4);
  const y = scaleLinear(ends(scatter.points.map((each) => each[1] ?? 0)), [
    HEIGHT - MARGIN.bottom - 8,
    MARGIN.top,
  ]).nice(3);
  const byCategory = series.names.map((_, category) => scatter.points.filter((each) => each[2] === category));
  const shown = scatter.points.length;
  const words = shown < scatter.of ? `, ${shown} of ${scatter.of.toLocaleString("en-US")}` : "";
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={`${scatter.y} over ${scatter.x}, ${shown} points`}
    >
      <Title>{`${scatter.y} over ${scatter.x}${words}`}</Title>
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <line x1={MARGIN.left} x2={right} y1={y(tick)} y2={y(tick)} className={styles.line} />
          <text x={MARGIN.left - 4} y={y(tick) + 3} textAnchor="end">
            {numberText(tick)}
          </text>
        </g>
      ))}
      {x.ticks(4).map((tick) => (
        <text key={tick} x={x(tick)} y={HEIGHT - 6} textAnchor="middle">
          {numberText(tick)}
        </text>
      ))}
      {byCategory.map((points, category) => {
        // One path a category: a thousand points are one element.
        const place = placeOf(series, category, lit);
        const shaped = told.includes("marker");
        const d = points
          .map((each) => {
            const [across, up] = [x(each[0] ?? 0), y(each[1] ?? 0)];
            return shaped ? shapeOf(category, across, up) : `M${across.toFixed(1)} ${up.toFixed(1)}h0`;
          })
          .join("");
        return (
          <g key={series.names[category]}>
            {told.includes("outline") && !shaped && <path d={d} className={styles.casingOfPoints} />}
            <path
              d={d}
              className={
                shaped
                  ? `${fillOf(place)} ${told.includes("outline") ? styles.outlined : ""}`
                  : `${styles.points} ${strokeOf(place)}`
              }
            />
          </g>
        );
      })}
    </svg>
  );
});
