/** How far apart the pairs of a set stay under one vision, from none to all of it; the threshold as one line. */
import type { ToldApartView } from "../../../api/client";

const WIDTH = 190;
const HEIGHT = 96;
/** Distances beyond are drawn at the top: who is so far apart is never confused. */
const MOST = 60;

interface Props {
  set: ToldApartView;
  /** Which of the visions, and what it is called. */
  place: number;
  words: string;
  /** The pair that is pointed at, by its place. */
  pointed: number | null;
}

export function SeverityPlot({ set, place, words, pointed }: Props) {
  const threshold = Number(set.threshold);
  const y = (distance: number) => HEIGHT - (Math.min(distance, MOST) / MOST) * HEIGHT;
  const line = (over: readonly number[]) =>
    over.map((distance, at) => `${(at / (over.length - 1)) * WIDTH},${y(distance).toFixed(1)}`).join(" ");
  const lost = set.pairs.filter((pair) => pair.over[place]?.some((distance) => distance < threshold)).length;
  return (
    <figure style={{ margin: 0 }} data-testid="severity">
      <svg
        width={WIDTH}
        height={HEIGHT + 16}
        role="img"
        aria-label={`${words}: ${lost} of ${set.pairs.length} pairs come closer than ${set.threshold}`}
      >
        <title>{words}</title>
        <rect width={WIDTH} height={HEIGHT} fill="none" stroke="currentColor" strokeOpacity="0.35" />
        {set.pairs.map((pair, at) => {
          const over = pair.over[place] ?? [];
          const close = over.some((distance) => distance < threshold);
          return (
            <polyline
              key={pair.one + pair.other}
              points={line(over)}
              fill="none"
              stroke="currentColor"
              strokeOpacity={close || at === pointed ? 1 : 0.3}
              strokeWidth={at === pointed ? 3 : close ? 2 : 1}
            />
          );
        })}
        <line
          x2={WIDTH}
          y1={y(threshold)}
          y2={y(threshold)}
          stroke="currentColor"
          strokeDasharray="4 3"
          strokeWidth="1.5"
        />
        <text y={HEIGHT + 13} fontSize="12" fill="currentColor">
          {words}, severity 0
        </text>
        <text x={WIDTH} y={HEIGHT + 13} fontSize="12" textAnchor="end" fill="currentColor">
          1
        </text>
      </svg>
    </figure>
  );
}
