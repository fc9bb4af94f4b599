// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import { draw } from "../testing/kitchen";
import { ClockForm } from "./ClockForm";
import { Fold } from "./Fold";
import { NameWord } from "./NameWord";
import { QuantityInput } from "./QuantityInput";
import { Word } from "./Word";

test("a name counts once it is done, not letter by letter", async () => {
  const user = userEvent.setup();
  const onName = vi.fn();
  draw(<NameWord name="Supper" most={80} wrong={false} onName={onName} />);
  await user.click(screen.getByRole("button", { name: "Name: Supper" }));
  const field = await screen.findByRole("textbox", { name: "Name" });
  await user.clear(field);
  await user.type(field, "Ferry crew");
  expect(onName).not.toHaveBeenCalled();
  await user.keyboard("{Enter}");
  expect(onName).toHaveBeenCalledExactlyOnceWith("Ferry crew");
});

test("a time of day is typed as people write it, and told the same way always", async () => {
  const user = userEvent.setup();
  const onTold = vi.fn();
  draw(<ClockForm label="Time" value="" onTold={onTold} />);
  const field = screen.getByRole("textbox", { name: "Time" });
  for (const [typed, told] of [
    ["7 pm", "19:00"],
    ["19.30", "19:30"],
    ["0715", "07:15"],
  ]) {
    await user.clear(field);
    await user.type(field, `${typed}{Enter}`);
    expect(onTold).toHaveBeenLastCalledWith(told);
  }
  await user.clear(field);
  await user.type(field, "later{Enter}");
  expect(screen.getByRole("alert").textContent).toContain("“later” is not a time of day");
  expect((field as HTMLInputElement).value).toBe("later");
});

function quantity(understand: (text: string) => Promise<number>) {
  const onChange = vi.fn();
  draw(
    <QuantityInput
      label="Weight"
      value={100}
      show={(value) => `${value} g`}
      understand={understand}
      range={[50, 500]}
      step={5}
      onChange={onChange}
      onDone={vi.fn()}
    />,
  );
  return onChange;
}

test("a late answer to an earlier text does not revert a newer one", async () => {
  const user = userEvent.setup();
  const answers = new Map<string, (value: number) => void>();
  const onChange = quantity((text) => new Promise((resolve) => answers.set(text, resolve)));
  const field = screen.getByRole("textbox", { name: "Weight" });
  await user.clear(field);
  await user.type(field, "120{Enter}");
  await user.click(screen.getByRole("button", { name: "Weight more" }));
  expect(onChange).toHaveBeenCalledExactlyOnceWith(105);
  answers.get("120")?.(120);
  await new Promise((resolve) => setTimeout(resolve, 0));
  expect(onChange).toHaveBeenCalledTimes(1);
});

test("a text that is not understood stays to be corrected, with the reason", async () => {
  const user = userEvent.setup();
  const onChange = quantity(async () => {
    throw new Error("Weight is 5 kg; it can be 15 g to 4 kg.");
  });
  const field = screen.getByRole("textbox", { name: "Weight" });
  await user.clear(field);
  await user.type(field, "5 kg{Enter}");
  expect((await screen.findByRole("alert")).textContent).toContain("it can be 15 g");
  expect((field as HTMLInputElement).value).toBe("5 kg");
  expect(onChange).not.toHaveBeenCalled();
});

test("a section shows its gist, unfolds, and is remembered", async () => {
  const user = userEvent.setup();
  const section = (
    <Fold name="arrangement" title="Arrangement" gist="one layer">
      the basket
    </Fold>
  );
  const { unmount } = draw(section);
  const button = screen.getByRole("button", { name: /Arrangement/ });
  expect(button.textContent).toContain("one layer");
  expect(button.getAttribute("aria-expanded")).toBe("false");
  expect(screen.queryByText("the basket")).toBeNull();
  await user.click(button);
  expect(screen.getByText("the basket")).toBeTruthy();
  unmount();
  draw(section);
  expect(screen.getByText("the basket")).toBeTruthy();
});

test("a word in a form opens, takes the focus, and does not send the form", async () => {
  const user = userEvent.setup();
  const onSubmit = vi.fn((event: { preventDefault: () => void }) => event.preventDefault());
  draw(
    <form onSubmit={onSubmit}>
      <Word label="Salt" text="11 g">
        {() => <input data-first aria-label="Salt of the mix" />}
      </Word>
    </form>,
  );
  await user.click(screen.getByRole("button", { name: "Salt: 11 g" }));
  const field = await screen.findByRole("textbox", { name: "Salt of the mix" });
  await waitFor(() => expect(document.activeElement).toBe(field));
  expect(onSubmit).not.toHaveBeenCalled();
});
