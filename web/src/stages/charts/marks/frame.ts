/** What the charts share: their size, their margins, how a category's color is named, and words for numbers. */
import type { ChartsView } from "../../../api/client";

export type Series = NonNullable<ChartsView["categories"]>["series"];
export type GridData = NonNullable<ChartsView["categories"]>["by_period"];

export const WIDTH = 300;
export const HEIGHT = 200;
export const MARGIN = { top: 26, right: 62, bottom: 20, left: 34 };

/** The variable that holds a category's color. */
export const colorOf = (place: number | null | undefined) =>
  place === null || place === undefined ? "var(--muted)" : `var(--c${place}, var(--muted))`;

/** While one category is lit, the others step back. */
export const dimmed = (lit: number | null, category: number) => (lit === null || lit === category ? 1 : 0.16);

const PLAIN = new Intl.NumberFormat("en-US", { maximumSignificantDigits: 3, notation: "compact" });
export const numberText = (value: number) => PLAIN.format(value);

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
