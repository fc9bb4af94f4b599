// Printing on a paper of the cook's.
import { useEffect, useState } from "react";
import { flushSync } from "react-dom";

export type Paper = "A4" | "letter";

const ID = "paper";

/** Letter is 18 mm shorter than A4: with less at its ends the same stands on a page. */
const MARGIN: Record<Paper, string> = { A4: "14mm", letter: "8mm 14mm" };

/** Prints this page on such a paper. The size stays, so that a preview that asks later has it too. */
export function printOn(paper: Paper) {
  const style = document.getElementById(ID) ?? document.createElement("style");
  style.id = ID;
  style.textContent = `@page { size: ${paper}; margin: ${MARGIN[paper]} }`;
  document.head.append(style);
  // Once the popover that asked for it is gone.
  requestAnimationFrame(() => window.print());
}

/** Whether this page is being printed: what only paper shows need not be there otherwise. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(() => window.matchMedia("print").matches);
  useEffect(() => {
    const media = window.matchMedia("print");
    // At once: the browser lays the page out for paper as soon as these return.
    const set = (on: boolean) => flushSync(() => setPrinting(on));
    const change = (event: MediaQueryListEvent) => set(event.matches);
    const before = () => set(true);
    const after = () => set(false);
    media.addEventListener("change", change);
    window.addEventListener("beforeprint", before);
    window.addEventListener("afterprint", after);
    return () => {
      media.removeEventListener("change", change);
      window.removeEventListener("beforeprint", before);
      window.removeEventListener("afterprint", after);
    };
  }, []);
  return printing;
}
