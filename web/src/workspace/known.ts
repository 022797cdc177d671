/** What is known of the system that is open, and how it is looked at. */
import type { Edit, Looking, PartName, Parts, Problem } from "../api/client";

/** A message over the sheet: something went wrong, and what can be done. */
export interface Notice {
  words: string;
  actions: { words: string; act: () => void }[];
}

/** What is known of the system; it changes with every answer, and who shows a part of it asks for that part. */
export interface Known {
  /** The parts that have been answered; null before the first answer. */
  parts: Partial<Parts> | null;
  missing: Problem | null;
  notice: Notice | null;
  /** What a key or a hand has come to, where that is not to be seen: why nothing moves, what was copied. */
  said: string | null;
  away: boolean;
  /** Whether a gesture lasts, or rests to be kept. */
  moving: boolean;
  /** Whether changes are on their way. */
  sending: boolean;
  /** The keys of what is shown as it will be once the database is back. */
  waiting: ReadonlySet<string>;
}

/** How the system is looked at, and which parts are wanted. */
export type Look = Required<Omit<Looking, "parts">> & { parts: readonly PartName[] };

export type Answer = Partial<Parts>;

/** Edits that start from what is there: made when their turn comes, so that a change still on its way is not undone. */
export type Making = (known: Answer) => Edit[] | Promise<Edit[]>;

export const NO_KEYS: ReadonlySet<string> = new Set();
