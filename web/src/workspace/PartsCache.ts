/**
 * The parts of the system that were answered. A part is fresh while the revision and what it depends on of the look are
 * as they were when it was answered; only what is wanted and not fresh is asked for.
 */
import type { PartName } from "../api/client";
import { PART_DEPENDS_ON } from "../api/constants.generated";
import type { Answer, Look } from "./known";

/** What a part depends on, besides the document, as it is in a look. */
function wishes(part: PartName, look: Look): string {
  const { vision, severity } = look;
  return PART_DEPENDS_ON[part]
    .map((wish) => (wish === "vision" ? `${vision} ${severity}` : (look[wish] ?? "")))
    .join("|");
}

export class PartsCache {
  /** What was answered last of each part; null before the first answer. */
  kept: Answer | null = null;
  /** For every part that is kept, the revision and the wishes that it was answered for. */
  private fresh = new Map<PartName, string>();

  /** The revision that is known. */
  get revision(): number {
    return this.kept?.head?.revision ?? 1;
  }

  /** Keep the parts of an answer. Those of another revision are kept only while they are `wanted` and being asked for. */
  take(answer: Answer, look: Look, wanted: readonly PartName[]): void {
    const revision = answer.head?.revision ?? this.revision;
    const old = this.kept ?? {};
    if (revision < this.revision) return;
    const others = revision !== this.revision ? new Set<string>(wanted) : null;
    const carried = others
      ? Object.fromEntries(Object.entries(old).filter(([name]) => others.has(name)))
      : old;
    this.kept = { ...carried, ...answer };
    for (const name of Object.keys(answer) as PartName[]) {
      this.fresh.set(name, `${revision} ${wishes(name, look)}`);
    }
  }

  /** The parts of a look that are to be asked for. */
  stale(look: Look): PartName[] {
    return look.parts.filter(
      (name) =>
        !(this.kept && name in this.kept) ||
        this.fresh.get(name) !== `${this.revision} ${wishes(name, look)}`,
    );
  }

  /** Take nothing for fresh any more: something has changed that is no edit. */
  outdate(): void {
    this.fresh.clear();
  }
}
