import { QueryClient } from "@tanstack/react-query";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { keep, kept } from "../../lib/boxStore";
import { keepAnswers } from "./persisted";

vi.mock("../../lib/boxStore", () => ({ keep: vi.fn(), kept: vi.fn(), forget: vi.fn() }));

beforeEach(() => {
  vi.useFakeTimers();
  vi.mocked(keep).mockReset();
  vi.mocked(kept).mockReset().mockResolvedValue(undefined);
});
afterEach(() => vi.useRealTimers());

const written = () => JSON.stringify(vi.mocked(keep).mock.calls.at(-1)?.[1] ?? null);

test("answers are written while others keep coming", async () => {
  const queries = new QueryClient();
  await keepAnswers(queries);
  queries.setQueryData(["cook", "first"], { name: "Cider chops" });
  // Something else changes more often than once in the moment that changes are gathered.
  for (let n = 0; n < 6; n += 1) {
    await vi.advanceTimersByTimeAsync(400);
    queries.setQueryData(["cooks"], { n });
  }
  expect(written()).toContain("Cider chops");
  await vi.advanceTimersByTimeAsync(1_000);
  expect(written()).toContain('"n":5');
});

test("a browser whose disk stands still does not keep the page from the cook", async () => {
  let answer = (_: unknown) => {};
  vi.mocked(kept).mockReturnValue(
    new Promise((resolve) => {
      answer = resolve;
    }),
  );
  const queries = new QueryClient();
  const ready = vi.fn();
  void keepAnswers(queries).then(ready);
  await vi.advanceTimersByTimeAsync(2_000);
  expect(ready).toHaveBeenCalled();
  // A late stored answer counts, unless a newer one is there.
  queries.setQueryData(["cook", "known"], { name: "newer" });
  const old = (id: string) => ({
    queryKey: ["cook", id],
    queryHash: JSON.stringify(["cook", id]),
    state: { data: { name: "older" }, dataUpdatedAt: Date.now() - 60_000, status: "success" },
  });
  answer({
    buster: "3",
    timestamp: Date.now(),
    clientState: { mutations: [], queries: [old("known"), old("late")] },
  });
  await vi.advanceTimersByTimeAsync(100);
  expect(queries.getQueryData(["cook", "known"])).toEqual({ name: "newer" });
  expect(queries.getQueryData(["cook", "late"])).toEqual({ name: "older" });
});
