/** Following what others do: the newest revision is asked for every few seconds. */
import { problemOf } from "../api/client";

const OTHERS_MS = 4000;

export class Following {
  private next: ReturnType<typeof setTimeout> | null = null;
  private ended = true;

  /** `newest` asks for it, `told` hears it, and `away` whether the database seems away. */
  constructor(
    private readonly newest: () => Promise<number>,
    private readonly told: (revision: number) => void,
    private readonly away: (is: boolean) => void,
  ) {}

  start(): void {
    this.ended = false;
    this.ask();
  }

  stop(): void {
    this.ended = true;
    if (this.next) clearTimeout(this.next);
  }

  private ask(): void {
    this.next = setTimeout(async () => {
      try {
        const revision = await this.newest();
        this.away(false);
        this.told(revision);
      } catch (thrown) {
        this.away(problemOf(thrown).passing);
      }
      if (!this.ended) this.ask();
    }, OTHERS_MS);
  }
}
