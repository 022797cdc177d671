/** Names at the end of what they name, moved apart so that none covers another. */
import { HEIGHT, MARGIN, spread } from "./frame";
import styles from "./marks.module.css";

interface Props {
  names: readonly string[];
  /** The heights that they would best stand at. */
  wished: number[];
  /** Where what they name ends. */
  at: number;
  /** The class of the color of the line to a name. */
  color?: (category: number) => string;
}

export function EndLabels({ names, wished, at, color = () => styles.plain ?? "" }: Props) {
  const placed = spread(wished, 11, MARGIN.top, HEIGHT - MARGIN.bottom);
  return names.map((name, category) => (
    <g key={name}>
      <line x1={at + 2} x2={at + 8} y1={wished[category]} y2={placed[category]} className={color(category)} />
      <text x={at + 10} y={(placed[category] ?? 0) + 3}>
        {short(name)}
        <title>{name}</title>
      </text>
    </g>
  ));
}

/** A name that has room at the end of a line: the rest is in its title and in the legend. */
const short = (name: string) => (name.length > 9 ? `${name.slice(0, 8)}…` : name);
