// Reports made at the fryer, kept in this browser until the server has them. A report carries its
// own id, so sending it twice does no harm, and its age, so that the server's clock dates it.

export interface Kept<H> {
  id: string;
  /** The cook or the supper it is about. */
  of: string;
  /** When it happened, by this device's clock, ms. */
  at: number;
  happening: H;
}

export class Outbox<H> {
  private kept: Kept<H>[];
  private readonly listeners = new Set<() => void>();
  private sending: Promise<void> | null = null;

  constructor(
    private readonly key: string,
    private readonly storage: Pick<Storage, "getItem" | "setItem">,
    private readonly send: (kept: Kept<H>) => Promise<"sent" | "refused" | "later">,
  ) {
    this.kept = this.read();
  }

  private read(): Kept<H>[] {
    try {
      const kept = JSON.parse(this.storage.getItem(this.key) ?? "[]");
      // What waited when the application was last updated says "cook".
      return Array.isArray(kept) ? kept.map((one) => ({ of: one.cook, ...one })) : [];
    } catch {
      return [];
    }
  }

  private write(kept: Kept<H>[]) {
    this.kept = kept;
    try {
      this.storage.setItem(this.key, JSON.stringify(kept));
    } catch {
      // Kept in memory at least.
    }
    for (const listener of this.listeners) listener();
  }

  add(report: Kept<H>) {
    this.write([...this.kept, report]);
    void this.flush();
  }

  waiting = () => this.kept;

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Sends what is kept, in order, until one has to wait; one sending at a time. */
  flush(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = null;
    });
    return this.sending;
  }

  private async sendAll(): Promise<void> {
    for (let first = this.kept[0]; first; first = this.kept[0]) {
      const { id } = first;
      if ((await this.send(first)) === "later") return;
      this.write(this.kept.filter((report) => report.id !== id));
    }
  }
}
