// The arrow keys go through a list of things to press.
import type { KeyboardEvent } from "react";

export function byArrows(event: KeyboardEvent<HTMLElement>) {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (!step) return;
  event.preventDefault();
  const stops = [...event.currentTarget.querySelectorAll<HTMLElement>("input, button")];
  const at = stops.indexOf(document.activeElement as HTMLElement);
  stops[(at + step + stops.length) % stops.length]?.focus();
}
