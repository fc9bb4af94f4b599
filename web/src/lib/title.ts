// The title of the window: the urgent step, else the page.
import { useEffect } from "react";

const NAME = "Zesty Ember";
let page = "";
let urgent: string | null = null;

const write = () => {
  document.title = urgent ?? (page ? `${page} · ${NAME}` : NAME);
};

/** The name of the page that is shown. */
export function usePageTitle(name: string) {
  useEffect(() => {
    page = name;
    write();
  }, [name]);
}

/** Something that goes before any page, or nothing. */
export function useUrgentTitle(words: string | null) {
  useEffect(() => {
    urgent = words;
    write();
  }, [words]);
}
