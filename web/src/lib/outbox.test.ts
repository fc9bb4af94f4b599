import { describe, expect, it } from "vitest";
import { type Kept, Outbox } from "./outbox";

function storage(): Pick<Storage, "getItem" | "setItem"> {
  const map = new Map<string, string>();
  return {
    getItem: (key) => map.get(key) ?? null,
    setItem: (key, value) => void map.set(key, value),
  };
}

const report = (id: string): Kept<string> => ({ id, of: "c", at: 0, happening: id });

describe("outbox", () => {
  it("keeps reports through a reload while nothing can be sent, then sends them in order", async () => {
    const kept = storage();
    const offline = new Outbox<string>("box", kept, async () => "later");
    offline.add(report("a"));
    offline.add(report("b"));
    await offline.flush();
    expect(offline.waiting()).toHaveLength(2);

    const sent: string[] = [];
    const online = new Outbox<string>("box", kept, async (one) => {
      sent.push(one.id);
      return "sent";
    });
    await online.flush();
    expect(sent).toEqual(["a", "b"]);
    expect(online.waiting()).toHaveLength(0);
    expect(new Outbox<string>("box", kept, async () => "sent").waiting()).toHaveLength(0);
  });

  it("lets a refused report go, so that it does not block the others", async () => {
    const outbox = new Outbox<string>("box", storage(), async (one) =>
      one.id === "bad" ? "refused" : "sent",
    );
    outbox.add(report("bad"));
    outbox.add(report("good"));
    await outbox.flush();
    expect(outbox.waiting()).toHaveLength(0);
  });

  it("starts empty from a storage that holds nonsense", () => {
    const broken = { getItem: () => "{", setItem: () => undefined };
    expect(new Outbox<string>("box", broken, async () => "sent").waiting()).toEqual([]);
  });
});
