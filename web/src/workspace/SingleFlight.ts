/** One request at a time, always with the newest value. Nothing is sent to be aborted. */
export class SingleFlight<Value> {
  private waiting: { value: Value } | null = null;
  private flying = false;

  constructor(private readonly send: (value: Value) => Promise<void>) {}

  /** Send a value now, or, while another is on its way, remember it as the newest. */
  offer(value: Value): void {
    this.waiting = { value };
    if (!this.flying) void this.fly();
  }

  /** Forget what has not been sent. */
  drop(): void {
    this.waiting = null;
  }

  private async fly(): Promise<void> {
    this.flying = true;
    try {
      while (this.waiting) {
        const { value } = this.waiting;
        this.waiting = null;
        await this.send(value);
      }
    } finally {
      this.flying = false;
    }
  }
}
