// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { expect, test } from "vitest";
import { readDraft, useDraft } from "./draft";

const isText = (value: unknown): value is string => typeof value === "string";

test("a draft outlives the page, until it is dropped", () => {
  const first = renderHook(() => useDraft("note", "saved", isText));
  act(() => first.result.current[1]("changed"));
  expect(first.result.current[0]).toBe("changed");
  first.unmount();
  const second = renderHook(() => useDraft("note", "saved", isText));
  expect(second.result.current[0]).toBe("changed");
  expect(second.result.current[2]).toBe(true);
  act(() => second.result.current[1](null));
  expect(second.result.current[0]).toBe("saved");
  expect(readDraft("note", isText)).toBeNull();
});

test("a draft of another shape is ignored", () => {
  sessionStorage.setItem("note", JSON.stringify({ version: 1 }));
  expect(renderHook(() => useDraft("note", "saved", isText)).result.current[0]).toBe("saved");
  sessionStorage.setItem("note", "{broken");
  expect(readDraft("note", isText)).toBeNull();
});

test("the draft of one thing never opens for another", () => {
  const { result, rerender } = renderHook(({ of }) => useDraft(of, "saved", isText), {
    initialProps: { of: "method drumstick" },
  });
  act(() => result.current[1]("for drumsticks"));
  rerender({ of: "method pork_chop" });
  expect(result.current[0]).toBe("saved");
  rerender({ of: "method drumstick" });
  expect(result.current[0]).toBe("for drumsticks");
});
