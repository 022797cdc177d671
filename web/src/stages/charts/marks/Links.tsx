/** A map of places, laid around, with what leads from one to another in the color of its value. */
import { memo } from "react";
import type { ChartsView } from "../../../api/client";
import { HEIGHT, numberText, strokeOf, WIDTH } from "./frame";
import styles from "./marks.module.css";
import { Title } from "./Words";

type LinksData = NonNullable<NonNullable<ChartsView["ramp"]>["links"]>;

const MIDDLE = { x: WIDTH / 2, y: HEIGHT / 2 + 8 };
const REACH = { x: 100, y: 74 };

export const Links = memo(function Links({ links, ink }: { links: LinksData; ink: string }) {
  const at = (stop: number) => {
    const turn = (2 * Math.PI * stop) / links.stops.length - Math.PI / 2;
    return { x: MIDDLE.x + REACH.x * Math.cos(turn), y: MIDDLE.y + REACH.y * Math.sin(turn) };
  };
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={styles.chart}
      style={{ color: ink }}
      role="img"
      aria-label={`${links.title}, between places`}
      data-testid="links"
    >
      <Title>{links.title}</Title>
      {links.ends.map(([one, other], category) => {
        const [from, to] = [at(one ?? 0), at(other ?? 0)];
        const value = links.values[category];
        const none = value === null || value === undefined;
        return (
          <g key={links.names[category]}>
            <path
              d={`M${from.x} ${from.y}L${to.x} ${to.y}`}
              className={none ? undefined : strokeOf(links.places[category])}
              stroke={none ? "var(--missing)" : undefined}
              strokeWidth={11}
              strokeDasharray={none ? "3 3" : undefined}
              fill="none"
            >
              <title>{`${links.names[category]}: ${none ? "no data" : numberText(value)}`}</title>
            </path>
          </g>
        );
      })}
      {links.stops.map((name, stop) => {
        const { x, y } = at(stop);
        const side = x > MIDDLE.x + 20 ? "start" : x < MIDDLE.x - 20 ? "end" : "middle";
        const away = side === "start" ? 10 : side === "end" ? -10 : 0;
        const up = side === "middle" ? (y < MIDDLE.y ? -10 : 16) : 3;
        return (
          <g key={name}>
            <circle cx={x} cy={y} r={6} fill="var(--ground)" stroke="currentColor" />
            <text x={x + away} y={y + up} textAnchor={side}>
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
});
