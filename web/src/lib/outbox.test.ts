import { describe, expect, it } from "vitest";
import type { BoxStore } from "./boxStore";
import { type Kept, Outbox, type Sent } from "./outbox";

/** One database under several tabs. */
function shared() {
  const rows = new Map<string, Kept<string>>();
  const tabs = new Set<() => void>();
  const store = (): BoxStore<Kept<string>> => {
    let own: (() => void) | null = null;
    const tell = () => {
      for (const tab of tabs) if (tab !== own) tab();
    };
    return {
      all: async () => [...rows.values()],
      put: async (one) => {
        rows.set(one.id, one);
        tell();
      },
      remove: async (id) => {
        rows.delete(id);
        tell();
      },
      listen: (changed) => {
        own = changed;
        tabs.add(changed);
      },
    };
  };
  return { rows, store };
}

let minute = 0;
const report = (id: string): Kept<string> => ({ id, of: "c", at: minute++, happening: id });
const settled = () => new Promise((done) => setTimeout(done, 5));
const box = (store: BoxStore<Kept<string>>, send: (id: string) => Sent) =>
  new Outbox<string>("box", store, async (kept) => send(kept.id));

describe("outbox", () => {
  it("keeps reports through a reload while nothing can be sent, then sends them in order", async () => {
    const { store, rows } = shared();
    const offline = box(store(), () => "later");
    offline.add(report("a"));
    offline.add(report("b"));
    expect(offline.waiting()).toHaveLength(2);
    await settled();

    const sent: string[] = [];
    const online = box(store(), (id) => {
      sent.push(id);
      return "sent";
    });
    await online.flush();
    expect(sent).toEqual(["a", "b"]);
    expect(rows.size).toBe(0);
    await settled();
    expect(offline.waiting()).toEqual([]);
  });

  it("shows and sends a report that is stored while an older list is read", async () => {
    const { store } = shared();
    const plain = store();
    let slow: Promise<void> = Promise.resolve();
    // The list is read at once and arrives later.
    const all = async () => {
      const listed = await plain.all();
      await slow;
      return listed;
    };
    const sent: string[] = [];
    const one = new Outbox<string>("box", { ...plain, all }, async (kept) => {
      sent.push(kept.id);
      return "sent";
    });
    await settled();
    let arrives = () => {};
    slow = new Promise((done) => {
      arrives = done;
    });
    const sending = one.flush();
    await settled();
    one.add(report("a"));
    await settled();
    arrives();
    await Promise.resolve();
    expect(one.waiting().map((kept) => kept.id)).toEqual(["a"]);
    await sending;
    await settled();
    expect(sent).toEqual(["a"]);
    expect(one.waiting()).toEqual([]);
  });

  it("keeps what two tabs tell at the same time", async () => {
    const { store, rows } = shared();
    const [first, second] = [box(store(), () => "later"), box(store(), () => "later")];
    first.add(report("a"));
    second.add(report("b"));
    await settled();
    expect([...rows.keys()].sort()).toEqual(["a", "b"]);
    expect(first.waiting().map((one) => one.id)).toEqual(["a", "b"]);
    expect(second.waiting().map((one) => one.id)).toEqual(["a", "b"]);
  });

  it("shows what was refused, sends the others, and forgets it when told to", async () => {
    const { store } = shared();
    const outbox = box(store(), (id) => (id === "bad" ? { refused: "closed" } : "sent"));
    outbox.add(report("bad"));
    outbox.add(report("good"));
    await settled();
    await outbox.flush();
    expect(outbox.waiting().map((one) => [one.id, one.refused])).toEqual([["bad", "closed"]]);
    await outbox.dismiss("bad");
    expect(outbox.waiting()).toEqual([]);
  });
});
