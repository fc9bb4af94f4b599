// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { Problem, Request } from "../../api/types";
import { catalogue, draw, entry, machine, metric, plan, request } from "../../testing/kitchen";
import { Sentence } from "./Sentence";

const sentence = (part: Partial<Request> = {}, problem: Problem | null = null) => {
  const onChange = vi.fn();
  const drawn = draw(
    <Sentence
      catalogue={catalogue}
      entry={entry}
      machines={[machine]}
      request={{ ...request, ...part }}
      eat={null}
      plan={plan}
      problem={problem}
      units={metric}
      onChange={onChange}
      onEat={vi.fn()}
    />,
  );
  return { onChange, ...drawn };
};

const words = () => screen.getByRole("region", { name: "What you cook" }).textContent;

test("usual words are folded away, and shown on request", async () => {
  const user = userEvent.setup();
  sentence();
  expect(words()).toContain("Cook 8 drumsticks, 115 g each and 44 mm thick, in the drum at 200 °C");
  expect(words()).not.toContain("from the fridge");
  await user.click(screen.getByRole("button", { name: /usual details/ }));
  expect(words()).toContain("from the fridge");
  expect(words()).toContain("turned for even colour");
  await user.click(screen.getByRole("button", { name: "Fold usual details" }));
  expect(words()).not.toContain("from the fridge");
});

test("unusual words are always in the sentence", () => {
  sentence({ surface: ["patted_dry", "oil"], turn: "never" });
  expect(words()).toContain("oiled");
  expect(words()).toContain("not turned");
  expect(words()).not.toContain("preheated if thin");
});

test("layers are put on, one over the other, and taken off", async () => {
  const user = userEvent.setup();
  const { onChange } = sentence({ surface: ["patted_dry", "oil", "starch"] });
  await user.click(screen.getByRole("button", { name: "Surface: patted dry, oil, starch" }));
  const list = await screen.findByRole("dialog", { name: "Surface" });
  expect(within(list).queryByRole("button", { name: "Add starch" })).toBeNull();
  expect(within(list).queryByRole("button", { name: "Add patted dry" })).toBeNull();
  await user.click(within(list).getByRole("button", { name: "Add oil" }));
  const sprayed = ["patted_dry", "oil", "starch", "oil"];
  expect(onChange).toHaveBeenLastCalledWith({ surface: sprayed });
  await user.click(within(list).getByRole("button", { name: "starch earlier" }));
  expect(onChange).toHaveBeenLastCalledWith({ surface: ["patted_dry", "starch", "oil"] });
  await user.click(within(list).getByRole("button", { name: "Remove oil" }));
  expect(onChange).toHaveBeenLastCalledWith({ surface: ["patted_dry", "starch"] });
  await user.click(within(list).getByRole("button", { name: "rubbed, skin dry" }));
  expect(onChange).toHaveBeenLastCalledWith({ surface: ["patted_dry", "oil", "rub"] });
});

test("a refused word is shown, and told in the cook's units beside it", () => {
  const problem = {
    code: "cannot_hold",
    field: "support",
    message: { text: "drumsticks in the basket: choose another", values: [] },
  } as unknown as Problem;
  sentence({}, problem);
  expect(screen.getByRole("alert").textContent).toContain("Drumsticks in the basket");
  expect(screen.getByRole("button", { name: /How it is held/ })).toBeTruthy();
});

test("one piece is not told as each", () => {
  sentence({ pieces: 1 });
  expect(words()).toContain("Cook 1 drumstick, 115 g and");
});

test("a cut is found by a shop's name, and becomes a usual sentence of its own", async () => {
  const user = userEvent.setup();
  const { onChange } = sentence({ thickness_mm: 50 });
  await user.click(screen.getByRole("button", { name: /^Cut:/ }));
  const list = await screen.findByRole("dialog", { name: "Cut" });
  expect(within(list).getByRole("group", { name: "Pieces" })).toBeTruthy();
  await user.type(within(list).getByRole("textbox", { name: "Search" }), "baby b");
  expect(within(list).getByText(/baby back/)).toBeTruthy();
  await user.keyboard("{Enter}");
  expect(onChange).toHaveBeenCalledWith(
    expect.objectContaining({ cut: "back_ribs", thickness_mm: undefined }),
  );
  // It is offered first the next time.
  await user.click(screen.getByRole("button", { name: /^Cut:/ }));
  const again = await screen.findByRole("group", { name: "Recent" });
  expect(again.textContent).toContain("back rib sections");
});

test("a cut that is not planned yet is named, not hidden", async () => {
  const user = userEvent.setup();
  sentence();
  await user.click(screen.getByRole("button", { name: /^Cut:/ }));
  await user.type(await screen.findByRole("textbox", { name: "Search" }), "gammon");
  expect(screen.getByText("Cured meat is not planned yet.")).toBeTruthy();
});
