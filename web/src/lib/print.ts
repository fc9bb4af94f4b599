// Printing on a paper of the cook's.

export type Paper = "A4" | "letter";

const ID = "paper";

/** Prints this page on such a paper. The size stays, so that a preview that asks later has it too. */
export function printOn(paper: Paper) {
  const style = document.getElementById(ID) ?? document.createElement("style");
  style.id = ID;
  style.textContent = `@page { size: ${paper}; margin: 14mm }`;
  document.head.append(style);
  // Once the popover that asked for it is gone.
  requestAnimationFrame(() => window.print());
}
