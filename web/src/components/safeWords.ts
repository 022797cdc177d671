/** A safe range in words: where no finding changes, and what does beyond. */
import type { SafeView } from "../api/client";

export function safeWords(safe: SafeView, places: number, unit: string): string {
  if (!safe.below && !safe.above) return "No finding changes anywhere along it.";
  const at = (value: number) => value.toFixed(places) + unit;
  const below = safe.below && ` Below ${at(safe.low)}: ${safe.below}`;
  const above = safe.above && ` Above ${at(safe.high)}: ${safe.above}`;
  if (safe.low === safe.high) return `Any move may change what is found.${below}${above}`;
  return `From ${at(safe.low)} to ${at(safe.high)} no finding changes.${below}${above}`;
}
