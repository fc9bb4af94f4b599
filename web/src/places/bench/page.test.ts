// @vitest-environment jsdom
import { expect, test } from "vitest";
import { isPage, shortened } from "./page";

const LONG = "x".repeat(250_000);
const RECIPE = '{"@type":"Recipe","name":"Harbour thighs"}';

test("of a long page what holds its recipe is kept", () => {
  const other = '<script type="application/ld+json">{"@type":"WebSite"}</script>';
  const own = `<script type="application/ld+json">${RECIPE}</script>`;
  expect(shortened(`<html><script>${LONG}</script>${other}${own}</html>`)).toBe(RECIPE);
  // Without one: the text that a reader sees.
  const seen = `<html><style>${LONG}</style><nav>Home</nav><p>Thighs 190 °C 24 min</p></html>`;
  expect(shortened(seen)).toBe("Thighs 190 °C 24 min");
});

test("a short text stays as it is", () => {
  expect(shortened("drumsticks 25 min")).toBe("drumsticks 25 min");
  expect(shortened(`<p>${RECIPE}</p>`)).toBe(`<p>${RECIPE}</p>`);
  expect(shortened(LONG)).toHaveLength(200_000);
});

test("a page is distinguished from words", () => {
  expect([" <html>", '[{"@type": "Recipe"}]', '{"a": 1}', "400 °F 20 min"].map(isPage)).toEqual([
    true,
    true,
    true,
    false,
  ]);
});
