/** What the colors stand for: the palette with its limits, and how many values each class holds. */
import { scaleLinear } from "d3-scale";
import type { ChartsView, PaletteView } from "../../../api/client";
import { fillOf, HEIGHT, numberText, WIDTH } from "./frame";
import styles from "./marks.module.css";
import { everySo, Title } from "./Words";

type LegendData = NonNullable<ChartsView["ramp"]>["legend"];

const LEFT = 4;
const RIGHT = WIDTH - 4;
const FOOT = HEIGHT - 62;

export function Legend({ legend, palette, ink }: { legend: LegendData; palette: PaletteView; ink: string }) {
  const count = palette.colors.length;
  const wide = (RIGHT - LEFT) / count;
  const most = Math.max(1, ...legend.counts);
  const height = scaleLinear([0, most], [0, FOOT - 34]);
  const classes = !palette.continuous;
  const limits = legend.limits.map(numberText);
  const counts = legend.counts.map(numberText);
  const [everyLimit, everyCount] = [everySo(limits, wide), everySo(counts, wide)];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={`Legend of ${legend.column}`}
      data-testid="legend"
    >
      <Title>{classes ? `${legend.column}, values in each class` : legend.column}</Title>
      {palette.colors.map((color, place) => (
        <g key={color.id}>
          {classes && (
            <>
              <rect
                x={LEFT + place * wide}
                width={wide - 1}
                y={FOOT - height(legend.counts[place] ?? 0) - 4}
                height={height(legend.counts[place] ?? 0)}
                fill="currentColor"
                opacity={0.28}
              />
              {place % everyCount === 0 && (
                <text
                  x={LEFT + (place + 0.5) * wide}
                  y={FOOT - height(legend.counts[place] ?? 0) - 8}
                  textAnchor="middle"
                >
                  {counts[place] ?? "0"}
                </text>
              )}
            </>
          )}
          <rect x={LEFT + place * wide} width={wide + 0.3} y={FOOT} height={20} className={fillOf(place)} />
        </g>
      ))}
      {legend.limits.map(
        (limit, place) =>
          (place + 1) % everyLimit === 0 && (
            <text key={limit} x={LEFT + (place + 1) * wide} y={FOOT + 33} textAnchor="middle">
              {limits[place]}
            </text>
          ),
      )}
      <text x={LEFT} y={FOOT + 46}>
        {numberText(legend.low)} {legend.low_words}
      </text>
      <text x={RIGHT} y={FOOT + 46} textAnchor="end">
        {numberText(legend.high)} {legend.high_words}
      </text>
    </svg>
  );
}
