import { expect, test } from "vitest";
import type { Learned, Request } from "../api/types";
import { learnedWords, sinceWords, withKnown } from "./learned";

const machine = {
  heat_factor: 1.12,
  heat_spread: 0.05,
  offset_k: 8,
  together_k: -1,
  offset_spread_k: 3,
  cooks: 6,
};
const cut = {
  thickness_factor: 1.1,
  thickness_spread: 0.1,
  start_offset_k: 0.5,
  start_spread_k: 1.7,
  cooks: 4,
};
const learned = {
  machines: [{ machine: "the drum", known: machine }],
  cuts: [{ cut: "drumstick", known: cut }],
} as unknown as Learned;
const said = (name: string, more: Partial<Request> = {}) =>
  ({ cut: "drumstick", machine: { name }, ...more }) as Request;

test("a sentence counts with its machine and its cut, and with nothing of others", () => {
  expect(withKnown(said("the drum"), learned).known).toEqual({ machine, cut });
  expect(withKnown(said("twins"), learned).known).toEqual({ cut });
  expect(withKnown(said("twins", { cut: "pork_chop" }), learned).known).toBeUndefined();
  // Leftovers are not a raw piece of that thickness.
  expect(withKnown(said("the drum", { handling: "left_over" }), learned).known).toEqual({
    machine,
  });
  // Earlier knowledge is dropped where nothing is known now.
  expect(withKnown(said("twins", { known: { machine } }), undefined).known).toBeUndefined();
});

test("learned values are written in a line", () => {
  const degrees = (kelvins: number) => `${kelvins} °C`;
  expect(learnedWords(machine, degrees)).toBe("runs 8 °C hot, blows 12 % harder, from 6 cooks");
  expect(learnedWords({ ...machine, heat_factor: 0.9, offset_k: -0.2, cooks: 1 }, degrees)).toBe(
    "is as hot as its dial says, blows 10 % weaker, from 1 cook",
  );
  expect(learnedWords({ ...machine, browning_factor: 1.2 }, degrees)).toBe(
    "runs 8 °C hot, blows 12 % harder, browns 20 % faster, from 6 cooks",
  );
});

test("a plan that is repeated says what is known since", () => {
  const degrees = (kelvins: number) => `${kelvins} °C`;
  const then = { machine: { ...machine, heat_factor: 1, offset_k: 2, cooks: 2 }, cut };
  expect(sinceWords(then, { machine, cut }, degrees)).toBe(
    "the machine runs 8 °C hot, blows 12 % harder, from 6 cooks",
  );
  expect(
    sinceWords({ machine, cut }, { machine, cut: { ...cut, thickness_factor: 1.21 } }, degrees),
  ).toBe("pieces are taken 10 % thicker");
  expect(sinceWords({ machine, cut }, { machine, cut }, degrees)).toBeNull();
  const paler = { ...machine, browning_factor: 0.9 };
  expect(sinceWords({ machine, cut }, { machine: paler, cut }, degrees)).toContain(
    "browns 10 % slower",
  );
  expect(sinceWords(undefined, { machine }, degrees)).toBeNull();
});
