import { type Answer, NO_KEYS } from "./known";

/** The keys of hues and steps whose color is another in what is previewed. */
export function differing(kept: Answer, previewed: Answer): ReadonlySet<string> {
  const colors = (answer: Answer) => [
    ...(answer.hues ?? []),
    ...(answer.scales ?? []).flatMap((scale) => scale.steps),
  ];
  const before = new Map(colors(kept).map((color) => [color.key, color.hex]));
  const keys = colors(previewed).filter((color) => before.get(color.key) !== color.hex);
  return keys.length > 0 ? new Set(keys.map((color) => color.key)) : NO_KEYS;
}
