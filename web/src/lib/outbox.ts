// Reports are kept in this browser until the server has them. Each carries its own id, so sending it
// twice does no harm, and its age, so that the server's clock dates it. All tabs share one box; one of
// them sends at a time.
import type { BoxStore } from "./boxStore";

export interface Kept<H> {
  id: string;
  /** The cook or the supper it is about. */
  of: string;
  /** When it happened, by this device's clock, ms. */
  at: number;
  happening: H;
  /** Why the server did not take it; it is not sent again. */
  refused?: string;
}

/** What came of sending: it was taken, it never will be and why, or it has to wait. */
export type Sent = "sent" | "later" | { refused: string };

export class Outbox<H> {
  private kept: Kept<H>[] = [];
  /** On their way into the store, and those that have arrived there since the last look. */
  private readonly coming = new Map<string, Kept<H>>();
  private readonly arrived = new Set<string>();
  private readonly listeners = new Set<() => void>();
  private sending: Promise<void> | null = null;
  /** Whether something was added since the last look. */
  private asked = false;
  private readonly read: Promise<void>;

  constructor(
    private readonly name: string,
    private readonly store: BoxStore<Kept<H>>,
    private readonly send: (kept: Kept<H>) => Promise<Sent>,
  ) {
    this.read = this.refresh();
    store.listen(() => void this.refresh());
  }

  private async refresh(): Promise<void> {
    // A look that began before a report arrived says nothing about it.
    const arrived = [...this.arrived];
    const stored = await this.store.all();
    for (const id of arrived) {
      this.arrived.delete(id);
      this.coming.delete(id);
    }
    const known = new Set(stored.map((one) => one.id));
    this.show([...stored, ...[...this.coming.values()].filter((one) => !known.has(one.id))]);
  }

  private show(kept: Kept<H>[]) {
    this.kept = [...kept].sort((a, b) => a.at - b.at || a.id.localeCompare(b.id));
    for (const listener of this.listeners) listener();
  }

  add(report: Kept<H>) {
    // Shown at once; kept a moment later.
    this.coming.set(report.id, report);
    this.show([...this.kept, report]);
    void this.store.put(report).then(() => {
      this.arrived.add(report.id);
      return this.flush();
    });
  }

  /** Forgets one that was refused. */
  async dismiss(id: string) {
    await this.store.remove(id);
    await this.refresh();
  }

  /** All that is kept, refused ones too, in the order in which it happened. */
  waiting = () => this.kept;

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Sends what is kept, in order, until one has to wait; in one tab at a time. */
  flush(): Promise<void> {
    this.asked = true;
    this.sending ??= this.read
      .then(async () => {
        // A report may be added after the last look, while another one is sent.
        while (this.asked) {
          this.asked = false;
          await alone(`zesty-ember.${this.name}`, () => this.sendAll());
        }
      })
      .finally(() => {
        this.sending = null;
      });
    return this.sending;
  }

  private async sendAll(): Promise<void> {
    for (;;) {
      // Another tab may have kept or sent something.
      await this.refresh();
      const first = this.kept.find((report) => report.refused === undefined);
      if (!first) return;
      const sent = await this.send(first);
      if (sent === "later") return;
      if (sent === "sent") await this.store.remove(first.id);
      else await this.store.put({ ...first, refused: sent.refused });
      await this.refresh();
    }
  }
}

/** Does something unless another tab is at it. */
async function alone(name: string, work: () => Promise<void>): Promise<void> {
  // Only a secure origin has locks; without them two tabs may send the same, which does no harm.
  if (typeof navigator === "undefined" || !("locks" in navigator)) return work();
  await navigator.locks.request(name, { ifAvailable: true }, async (lock) => {
    if (lock) await work();
  });
}
