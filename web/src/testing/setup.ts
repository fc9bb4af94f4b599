// What a browser has and the test environment lacks.
import { cleanup } from "@testing-library/react";
import { afterEach } from "vitest";
import { standIn } from "./fetched";

standIn();

if (typeof window !== "undefined") {
  window.matchMedia ??= (query) =>
    ({
      matches: false,
      media: query,
      addEventListener: () => {},
      removeEventListener: () => {},
    }) as unknown as MediaQueryList;
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
  Element.prototype.setPointerCapture ??= () => {};
  Element.prototype.scrollTo ??= () => {};
  Element.prototype.scrollIntoView ??= () => {};
}

afterEach(() => {
  cleanup();
  if (typeof window !== "undefined") {
    localStorage.clear();
    sessionStorage.clear();
  }
});
