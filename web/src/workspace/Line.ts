/** What is kept goes to the server one after another, in the order in which it was done, and until it is answered. */
import { problemOf } from "../api/client";

export const AGAIN_MS = 1500;

export const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

export class Line {
  private last: Promise<unknown> = Promise.resolve();

  /** `waits` hears whether something waits for the server; nothing is sent again once all has `ended`. */
  constructor(
    private readonly waits: (is: boolean) => void,
    private readonly ended: () => boolean,
  ) {}

  /** Do some work when all that was given before is done, whatever came of that. */
  join<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work);
    this.last = mine.catch(() => undefined);
    return mine;
  }

  /** Send until the server has answered: the same key makes a repetition harmless. */
  async insist<T>(send: () => Promise<T>): Promise<T> {
    for (;;) {
      try {
        const answer = await send();
        this.waits(false);
        return answer;
      } catch (thrown) {
        if (!problemOf(thrown).passing || this.ended()) {
          this.waits(false);
          throw thrown;
        }
        this.waits(true);
        await pause(AGAIN_MS);
      }
    }
  }
}
