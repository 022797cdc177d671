/** What the charts share: their size, their margins, how a category's color is named, and words for numbers. */
import type { ChartsView } from "../../../api/client";

export type Series = NonNullable<ChartsView["categories"]>["series"];
export type GridData = NonNullable<ChartsView["categories"]>["by_period"];

export const WIDTH = 300;
export const HEIGHT = 200;
export const MARGIN = { top: 26, right: 62, bottom: 20, left: 34 };

/** What has no color of its own, where a system says nothing of it. */
export const GRAY = "#9A9A9A";

/** The classes that a mark takes its color by: a drag changes their rules, and with them only what has the color. */
export const fillOf = (place: number | null | undefined) => `fill-${place ?? "muted"}`;
export const strokeOf = (place: number | null | undefined) => `stroke-${place ?? "muted"}`;

/** What else tells categories apart, as the palette says. */
export type Telling = "outline" | "gap" | "dash" | "marker" | "label";
export type Told = readonly Telling[];

const DASHES = ["none", "7 3", "2 3", "10 3 2 3", "4 2", "12 4", "1 3", "7 2 2 2 2 2"];
export const dashOf = (told: Told, category: number) =>
  told.includes("dash") ? DASHES[category % DASHES.length] : undefined;

/** The shapes of markers: each as a path around a point. */
const SHAPES: ((x: string, y: string) => string)[] = [
  (x, y) => `M${x} ${y}m-3 0a3 3 0 1 0 6 0a3 3 0 1 0 -6 0`,
  (x, y) => `M${x} ${y}m-2.7 -2.7h5.4v5.4h-5.4z`,
  (x, y) => `M${x} ${y}m0 -3.6l3.5 6.2h-7z`,
  (x, y) => `M${x} ${y}m0 -3.9l3.9 3.9l-3.9 3.9l-3.9 -3.9z`,
  (x, y) => `M${x} ${y}m-1.2 -3.6h2.4v2.4h2.4v2.4h-2.4v2.4h-2.4v-2.4h-2.4v-2.4h2.4z`,
  (x, y) => `M${x} ${y}m0 3.6l3.5 -6.2h-7z`,
  (x, y) => `M${x} ${y}m-3.6 -1.2h7.2v2.4h-7.2z`,
  (x, y) => `M${x} ${y}m-1.2 -3.9h2.4v7.8h-2.4z`,
];
export const shapeOf = (category: number, x: number, y: number) =>
  SHAPES[category % SHAPES.length]?.(x.toFixed(1), y.toFixed(1)) ?? "";

/** The place of a category's color in every chart; while one is lit, the others step back. */
export const placeOf = (series: Series, category: number, lit: number | null) =>
  lit === null || lit === category ? series.places[category] : null;

const PLAIN = new Intl.NumberFormat("en-US", { maximumSignificantDigits: 3, notation: "compact" });
export const numberText = (value: number) => PLAIN.format(value);

/** The places of values without a neighbor, to which no line leads. */
export const aloneIn = (row: readonly (number | null)[]) =>
  row.flatMap((value, at) =>
    value !== null && (row[at - 1] ?? null) === null && (row[at + 1] ?? null) === null ? [at] : [],
  );

/** Labels at wished heights, moved apart so that none covers another. */
export function spread(wished: number[], gap: number, low: number, high: number): number[] {
  const order = wished.map((y, place) => ({ y, place })).sort((one, other) => one.y - other.y);
  let last = Number.NEGATIVE_INFINITY;
  for (const each of order) {
    each.y = Math.max(each.y, last + gap, low);
    last = each.y;
  }
  let next = high + gap;
  for (const each of [...order].reverse()) {
    each.y = Math.min(each.y, next - gap);
    next = each.y;
  }
  const found = [...wished];
  for (const { y, place } of order) found[place] = y;
  return found;
}
