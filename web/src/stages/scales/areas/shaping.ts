/** Changes of a ladder that is being shaped. Whether the result can be is the server's to say. */
import { LEAST_FALL } from "../../../api/constants.generated";
import type { Draft, DraftStep } from "./useLadder";

const BEYOND = 4;
/** How far a step beyond an end stays from white or black, so that it can be told from it. */
const VISIBLE = 0.5;

export type Labeling = "hundreds" | "fifties" | "numbers";
export const LABELINGS: { value: Labeling; words: string }[] = [
  { value: "hundreds", words: "100, 200, 300" },
  { value: "fifties", words: "50, 100, 200, last and a half" },
  { value: "numbers", words: "1, 2, 3" },
];

let made = 0;
const newKey = () => {
  made += 1;
  return `new-${made}`;
};

const own = (steps: DraftStep[]): Draft => ({ name: "own", steps });
const rounded = (value: number) => Math.round(value * 100) / 100;

/** Labels by a common pattern. Steps keep their ids, so that what stands on them stays. */
export function relabeled(draft: Draft, labeling: Labeling): Draft {
  const last = draft.steps.length - 1;
  const label = (place: number) => {
    if (labeling === "numbers") return `${place + 1}`;
    if (labeling === "hundreds") return `${(place + 1) * 100}`;
    if (place === 0) return "50";
    return place === last ? `${(last - 1) * 100 + 50}` : `${place * 100}`;
  };
  return own(draft.steps.map((step, place) => ({ ...step, label: label(place) })));
}

/** Every nth step, the first and the middle kept where they fall on it. */
export function everyNth(draft: Draft, nth: number): Draft {
  return own(
    draft.steps.filter((_, place) => place % nth === 0).map((step) => ({ ...step, between: false })),
  );
}

/** The same labels, their lightness at even distances from the first to the last. */
export function spreadEvenly(draft: Draft): Draft {
  const last = draft.steps.length - 1;
  const [high = 97, low = 8] = [draft.steps[0]?.lightness, draft.steps[last]?.lightness];
  return own(
    draft.steps.map((step, place) => ({
      ...step,
      lightness: rounded(high + ((low - high) * place) / last),
    })),
  );
}

export function changed(draft: Draft, key: string, change: Partial<DraftStep>): Draft {
  return own(draft.steps.map((step) => (step.key === key ? { ...step, ...change } : step)));
}

export function without(draft: Draft, key: string): Draft {
  const left = draft.steps.filter((step) => step.key !== key);
  const last = left.length - 1;
  return own(left.map((step, place) => (place === 0 || place === last ? { ...step, between: false } : step)));
}

/** Why no step can be put in at a place; null where one can. */
export function noRoom(draft: Draft, after: number): string | null {
  const one = draft.steps[after];
  const other = draft.steps[after + 1];
  if (!one && other && 100 - other.lightness < 2 * VISIBLE)
    return `There is no room beyond ${other.label}: it is all but white.`;
  if (!other && one && one.lightness < 2 * VISIBLE)
    return `There is no room beyond ${one.label}: it is all but black.`;
  if (one && other && one.lightness - other.lightness < 2 * LEAST_FALL)
    return `There is no room between ${one.label} and ${other.label}.`;
  return null;
}

/** A step between two others, or beyond the end: no other moves. */
export function inserted(draft: Draft, after: number): Draft {
  const one = draft.steps[after];
  const other = draft.steps[after + 1];
  const taken = new Set(draft.steps.map((step) => step.label.trim().toLowerCase()));
  // Beyond an end: between that end and white or black, where it can be seen from both.
  const light = one ? one.lightness : Math.min((other?.lightness ?? 50) + 2 * BEYOND, 100);
  const dark = other ? other.lightness : Math.max(light - 2 * BEYOND, 0);
  const label = free(one?.label ?? "", other?.label ?? "", taken);
  const step: DraftStep = {
    id: "",
    key: newKey(),
    label,
    lightness: Math.min(Math.max(rounded((light + dark) / 2), 0), 100),
    internal: false,
    between: one !== undefined && other !== undefined,
    uses: 0,
  };
  return own([...draft.steps.slice(0, after + 1), step, ...draft.steps.slice(after + 1)]);
}

/** A label that no step has, between those of its neighbors, empty beyond an end. Between numbers it is the one halfway,
 * or the nearest whole one to that; a period would part the names of tokens, so between 1 and 2 stands 1b. */
function free(one: string, other: string, taken: ReadonlySet<string>): string {
  const [low, high] = [one, other].map((label) =>
    /^\d{1,6}$/.test(label.trim()) ? Number(label) : Number.NaN,
  ) as [number, number];
  const guess = Number.isFinite(low) && Number.isFinite(high) ? (low + high) / 2 : one ? low + 50 : high / 2;
  const span = Math.ceil(one && other ? Math.abs(high - low) / 2 : Math.abs(guess));
  for (let away = 0; away <= span; away++)
    for (const at of [guess - away, guess + away]) {
      const fits = (!one || !other || Math.abs(at - guess) < Math.abs(high - low) / 2) && at > 0;
      if (Number.isInteger(at) && fits && !taken.has(`${at}`)) return `${at}`;
    }
  const stem = one.trim() || other.trim() || "step";
  const plain = stem.replace(/[b-z]$/, "").slice(0, 12);
  return (
    LETTERS.map((letter) => `${plain}${letter}`).find((label) => !taken.has(label.toLowerCase())) ??
    firstFree(plain, taken)
  );
}

const LETTERS = Array.from("bcdefghijklmnopqrstuvwxyz");

function firstFree(plain: string, taken: ReadonlySet<string>): string {
  let number = 2;
  while (taken.has(`${plain}-${number}`.toLowerCase())) number += 1;
  return `${plain}-${number}`;
}

/** The range that a step's lightness may take between its neighbors. */
export function room(draft: Draft, place: number): [number, number] {
  const above = draft.steps[place - 1]?.lightness;
  const below = draft.steps[place + 1]?.lightness;
  return [below === undefined ? 0 : below + LEAST_FALL, above === undefined ? 100 : above - LEAST_FALL];
}
