/** Words in charts: none stands over another, and what is cut is whole in its title. */
import { WIDTH } from "./frame";
import styles from "./marks.module.css";

/** How wide a sign is at the size of the labels and of the titles, at most by and large, in the units of a chart. */
const SIGN = 5.4;
const SIGN_OF_TITLES = 6.3;

export const wideOf = (words: string) => words.length * SIGN;

/** Words that have so much room. */
export function cut(words: string, wide: number, sign = SIGN): string {
  const most = Math.max(Math.floor(wide / sign), 2);
  return words.length > most ? `${words.slice(0, most - 1)}…` : words;
}

/** Of words that stand side by side, each in so much room, every how many have room. */
export const everySo = (words: readonly string[], wide: number) =>
  Math.max(1, Math.ceil((Math.max(0, ...words.map(wideOf)) + 3) / wide));

export function Title({ children }: { children: string }) {
  const shown = cut(children, WIDTH, SIGN_OF_TITLES);
  return (
    <text x={0} y={12} className={styles.title}>
      {shown}
      {shown !== children && <title>{children}</title>}
    </text>
  );
}

interface Props {
  names: readonly string[];
  /** The middle of each column. */
  at: (place: number) => number;
  /** How much room each has. */
  wide: number;
  /** Where the first column begins and the last one ends. */
  ends: readonly [number, number];
  y: number;
}

/** The names of columns: all where they have room, else the first and the last. */
export function ColumnNames({ names, at, wide, ends: [left, right], y }: Props) {
  const last = names.length - 1;
  if (everySo(names, wide) === 1) {
    return names.map((name, place) => (
      <text key={name} x={at(place)} y={y} textAnchor="middle">
        {name}
      </text>
    ));
  }
  const room = last > 0 ? (right - left) / 2 - 4 : right - left;
  return [0, last].slice(0, last > 0 ? 2 : 1).map((place) => (
    <text key={place} x={place === 0 ? left : right} y={y} textAnchor={place === 0 ? "start" : "end"}>
      {cut(names[place] ?? "", room)}
      <title>{names[place]}</title>
    </text>
  ));
}
