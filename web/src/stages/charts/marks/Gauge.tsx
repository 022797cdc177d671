/** A gauge a category: the palette as its track, a mark where the mean stands on it. */
import { memo, useId } from "react";
import type { ChartsView, PaletteView } from "../../../api/client";
import { fillOf, HEIGHT, numberText, WIDTH } from "./frame";
import { Missing } from "./Missing";
import styles from "./marks.module.css";
import { Title } from "./Words";

type GaugeData = NonNullable<ChartsView["ramp"]>["gauge"];

const LEFT = 92;
const RIGHT = WIDTH - 34;
const TOP = 22;
const MOST = 12;

export const Gauge = memo(function Gauge({
  gauge,
  palette,
  ink,
}: {
  gauge: GaugeData;
  palette: PaletteView;
  ink: string;
}) {
  const hatched = useId();
  const names = gauge.names.slice(0, MOST);
  const high = (HEIGHT - TOP) / Math.max(names.length, 1);
  const wide = (RIGHT - LEFT) / palette.colors.length;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={`${gauge.title}, a gauge a category`}
      data-testid="gauge"
    >
      <Missing id={hatched} />
      <Title>{gauge.title}</Title>
      {names.map((name, category) => {
        const value = gauge.values[category];
        const at = LEFT + (gauge.along[category] ?? 0) * (RIGHT - LEFT);
        const top = TOP + category * high;
        const thick = Math.min(high - 8, 12);
        const none = value === null || value === undefined;
        return (
          <g key={name} transform={`translate(0 ${top + high / 2})`}>
            <text x={LEFT - 6} y={3} textAnchor="end">
              {name.length > 17 ? `${name.slice(0, 16)}…` : name}
            </text>
            {none ? (
              <rect x={LEFT} width={RIGHT - LEFT} y={-thick / 2} height={thick} fill={`url(#${hatched})`} />
            ) : (
              palette.colors.map((color, place) => (
                <rect
                  key={color.id}
                  x={LEFT + place * wide}
                  width={wide + 0.3}
                  y={-thick / 2}
                  height={thick}
                  className={fillOf(place)}
                />
              ))
            )}
            {!none && (
              <>
                <path
                  d={`M${at} ${-thick / 2 - 3}v${thick + 6}`}
                  stroke="var(--ground)"
                  strokeWidth={4}
                  fill="none"
                />
                <path
                  d={`M${at} ${-thick / 2 - 3}v${thick + 6}`}
                  stroke="currentColor"
                  strokeWidth={2}
                  fill="none"
                />
              </>
            )}
            <text x={RIGHT + 4} y={3}>
              {none ? "none" : numberText(value)}
            </text>
          </g>
        );
      })}
    </svg>
  );
});
