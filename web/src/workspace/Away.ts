/** Why the database seems away: a change that waits, a question without an answer, the head that is not told. */
export type Reason = "unsaved" | "loading" | "polling";

export class Away {
  private readonly reasons = new Set<Reason>();

  /** `told` hears of every reason that comes or goes, with whether anything is away then. */
  constructor(private readonly told: (reason: Reason, is: boolean, away: boolean) => void) {}

  /** Whether a change waits for the database. */
  get unsaved(): boolean {
    return this.reasons.has("unsaved");
  }

  set(reason: Reason, is: boolean): void {
    if (this.reasons.has(reason) === is) return;
    if (is) this.reasons.add(reason);
    else this.reasons.delete(reason);
    this.told(reason, is, this.reasons.size > 0);
  }
}
