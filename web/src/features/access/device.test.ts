// @vitest-environment jsdom
import { beforeEach, expect, test } from "vitest";
import { deviceName, isAnother } from "./device";

beforeEach(() => localStorage.clear());

// User agents as browsers send them (from memory), without names.
test.each([
  ["Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) Mobile/15E148", "Phone"],
  ["Mozilla/5.0 (Linux; Android 16; K) AppleWebKit/537.36 Mobile Safari/537.36", "Phone"],
  ["Mozilla/5.0 (Linux; Android 16; K) AppleWebKit/537.36 Safari/537.36", "Tablet"],
  ["Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36", "Computer"],
])("a device is called what it is: %s", (agent, name) => {
  expect(deviceName(agent)).toBe(name);
});

test("stored data of another household is deleted, of the same one not", async () => {
  expect(await isAnother("a")).toBe(false);
  localStorage.setItem("zesty-ember.draft", "ours");
  localStorage.setItem("somebody-else", "theirs");
  expect(await isAnother("a")).toBe(false);
  expect(localStorage.getItem("zesty-ember.draft")).toBe("ours");
  expect(await isAnother("b")).toBe(true);
  expect(localStorage.getItem("zesty-ember.draft")).toBeNull();
  expect(localStorage.getItem("somebody-else")).toBe("theirs");
  expect(await isAnother("b")).toBe(false);
});
