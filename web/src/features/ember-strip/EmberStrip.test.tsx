// @vitest-environment jsdom
import { fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import type { Plan, Request } from "../../api/types";
import { answerWith } from "../../testing/fetched";
import { draw, entry, metric, plan, request } from "../../testing/kitchen";
import { EmberStrip } from "./EmberStrip";

const later = {
  ...plan,
  pull_at_s: 1560,
  outcomes: { faces: [{ browning: "golden" }, { browning: "blond" }] },
} as unknown as Plan;

beforeEach(() => {
  // A strip 1000 px wide; a moved pin has the later plan.
  vi.spyOn(Element.prototype, "clientWidth", "get").mockReturnValue(1000);
  answerWith(() => Response.json(later));
  HTMLCanvasElement.prototype.getContext = () => null;
});

function strip(part: Partial<Request> = {}) {
  const onChange = vi.fn();
  const of = (now: Request) => (
    <EmberStrip
      plan={plan}
      request={now}
      entry={entry}
      units={metric}
      clockOf={() => "18:00"}
      onChange={onChange}
    />
  );
  const { redraw } = draw(of({ ...request, ...part }));
  return { onChange, again: (next: Partial<Request>) => redraw(of({ ...request, ...next })) };
}

const pin = () => screen.getByRole("slider", { name: "Turn every piece" });

test("a pin is moved with the arrow keys, and says what that does", async () => {
  const user = userEvent.setup();
  const { onChange } = strip();
  expect(pin().getAttribute("aria-valuetext")).toBe("after 16 min");
  pin().focus();
  await user.keyboard("{ArrowLeft}{ArrowLeft}{PageDown}");
  expect(pin().getAttribute("aria-valuetext")).toBe("after 9 min");
  expect(await screen.findByText(/2 min longer, lower face blond instead of golden/)).toBeTruthy();
  await vi.waitFor(() =>
    expect(onChange).toHaveBeenCalledWith({
      turn: "never",
      actions: [expect.objectContaining({ kind: "turn", at_s: 540 })],
    }),
  );
});

test("a pin is dragged, and a tap on it moves nothing", () => {
  const { onChange } = strip();
  fireEvent.pointerDown(pin(), { clientX: 500, pointerId: 1 });
  fireEvent.pointerMove(pin(), { clientX: 502, pointerId: 1 });
  fireEvent.pointerUp(pin(), { clientX: 502, pointerId: 1 });
  expect(onChange).not.toHaveBeenCalled();
  // 870 px are 29 min: 90 px to the left are three minutes.
  fireEvent.pointerDown(pin(), { clientX: 500, pointerId: 1 });
  fireEvent.pointerMove(pin(), { clientX: 410, pointerId: 1 });
  expect(pin().getAttribute("aria-valuetext")).toBe("after 13 min");
  fireEvent.pointerUp(pin(), { clientX: 410, pointerId: 1 });
  expect(onChange).toHaveBeenCalledWith(
    expect.objectContaining({ actions: [expect.objectContaining({ at_s: 780 })] }),
  );
});

test("a pin is removed, by key and by button", async () => {
  const user = userEvent.setup();
  const { onChange } = strip();
  pin().focus();
  await user.keyboard("{Delete}");
  expect(onChange).toHaveBeenLastCalledWith({ turn: "never" });
  onChange.mockClear();
  fireEvent.focus(pin());
  await user.click(screen.getByRole("button", { name: "Remove" }));
  expect(onChange).toHaveBeenLastCalledWith({ turn: "never" });
});

test("something is added at a minute of the strip, by the keyboard alone", async () => {
  const user = userEvent.setup();
  const { onChange } = strip();
  screen.getByRole("slider", { name: /Temperature at a minute/ }).focus();
  await user.keyboard("{ArrowLeft}{ArrowLeft}{ArrowLeft}{Enter}");
  expect(screen.getByText(/After 22 min/)).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "Spray with oil" }));
  expect(onChange).toHaveBeenCalledWith({
    actions: [expect.objectContaining({ kind: "spray", at_s: 1320 })],
  });
});
