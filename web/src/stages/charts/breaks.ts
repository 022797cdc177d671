/** Breaks of classes as they are typed, and how finely numbers of some data are told. */

/** From where to where data reach, and breaks of their classes to begin with. */
export interface Reach {
  low: number;
  high: number;
  begin: number[];
}

const MOST_PLACES = 9;

/** How finely numbers are told: a hundredth of the way from the least to the largest is seen, a key goes about as far. */
export function grainOf(reach: Reach | undefined): { places: number; step: number } {
  const span = reach && reach.high > reach.low ? reach.high - reach.low : 10;
  const power = Math.floor(Math.log10(span));
  const places = Math.min(Math.max(2 - power, 0), MOST_PLACES);
  return { places, step: 10 ** Math.max(power - 1, -places) };
}

/** Where the classes end by now, as breaks to go on from: as short as they can be without being others. */
export function breaksFrom(reach: Reach | undefined): number[] {
  if (!reach) return [];
  const { places } = grainOf(reach);
  const short = reach.begin.map((limit) => Number(limit.toFixed(places)));
  const line = [reach.low, ...short, reach.high];
  return line.every((each, at) => at === 0 || each > (line[at - 1] ?? each)) ? short : reach.begin;
}

/** Breaks as somebody types them, with a point or a comma before the decimals. Throws what is none, quoted. */
export function breaksOf(text: string): number[] {
  const words = text.split(/[\s;]+|,\s+/).filter(Boolean);
  const found = words.map((each) => Number(each.replace(/,$/, "").replace(",", ".")));
  const wrong = words[found.findIndex((each) => !Number.isFinite(each))];
  if (wrong) throw new Error(`“${wrong}” is no number. Put a space between breaks.`);
  if (found.length === 0)
    throw new Error("Type at least one break: where one color ends and the next begins.");
  return found;
}
