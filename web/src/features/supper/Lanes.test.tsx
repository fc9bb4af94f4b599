// @vitest-environment jsdom
import { fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import type { SupperPlan } from "../../api/types";
import { draw } from "../../testing/kitchen";
import { Lanes } from "./Lanes";

const serve = Date.parse("2026-11-26T19:00:00Z");
const plan = {
  serve_at: new Date(serve).toISOString(),
  begins_at: new Date(serve - 120 * 60_000).toISOString(),
  lanes: [],
  dishes: [],
  agenda: [],
  clashes: [],
} as unknown as SupperPlan;

beforeEach(() => {
  // 137 min from five before the first task to twelve after the table: 10 px a minute.
  vi.spyOn(Element.prototype, "clientWidth", "get").mockReturnValue(1370);
});

const table = () => screen.getByRole("slider", { name: "On the table" });
const minutes = (at: Date | undefined) => ((at?.getTime() ?? 0) - serve) / 60_000;

test("a tap on the serving time moves nothing, a drag moves it by what the finger went", async () => {
  const onServe = vi.fn();
  draw(<Lanes plan={plan} onServe={onServe} />);
  fireEvent.pointerDown(table(), { clientX: 1260, pointerId: 1 });
  fireEvent.pointerMove(table(), { clientX: 1262, pointerId: 1 });
  fireEvent.pointerUp(table(), { clientX: 1262, pointerId: 1 });
  await new Promise((resolve) => setTimeout(resolve, 400));
  expect(onServe).not.toHaveBeenCalled();
  // The finger came down away from the line: it moves by 150 px, a quarter of an hour.
  fireEvent.pointerDown(table(), { clientX: 1230, pointerId: 1 });
  fireEvent.pointerMove(table(), { clientX: 1080, pointerId: 1 });
  fireEvent.pointerUp(table(), { clientX: 1080, pointerId: 1 });
  await vi.waitFor(() => expect(onServe).toHaveBeenCalledTimes(1));
  expect(minutes(onServe.mock.calls[0]?.[0])).toBe(-15);
});

test("four presses of an arrow are twenty minutes, asked for once", async () => {
  const user = userEvent.setup();
  const onServe = vi.fn();
  draw(<Lanes plan={plan} onServe={onServe} />);
  table().focus();
  await user.keyboard("{ArrowRight}{ArrowRight}{ArrowRight}{ArrowRight}");
  await vi.waitFor(() => expect(onServe).toHaveBeenCalled());
  expect(onServe).toHaveBeenCalledTimes(1);
  expect(minutes(onServe.mock.calls[0]?.[0])).toBe(20);
});

test("a plan for another time is no wish for the one before", async () => {
  const onServe = vi.fn();
  const { redraw } = draw(<Lanes plan={plan} onServe={onServe} />);
  const sooner = { ...plan, serve_at: new Date(serve - 45 * 60_000).toISOString() };
  redraw(<Lanes plan={sooner} onServe={onServe} />);
  await new Promise((resolve) => setTimeout(resolve, 400));
  expect(onServe).not.toHaveBeenCalled();
});

test("where it cannot be moved no key moves it", async () => {
  const user = userEvent.setup();
  draw(<Lanes plan={plan} />);
  const before = table().getAttribute("aria-valuetext");
  table().focus();
  await user.keyboard("{ArrowRight}");
  expect(table().getAttribute("aria-valuetext")).toBe(before);
  expect(table().getAttribute("aria-disabled")).toBe("true");
});
