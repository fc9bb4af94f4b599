// A single key with an action. It follows the letter printed on it, wherever it lies on a
// keyboard, and all of them can be switched off (WCAG 2.1.4).
import { useHotkeys } from "react-hotkeys-hook";
import { useSettings } from "./settings";

interface ShortcutOptions {
  /** Whether it does something at the moment. */
  enabled?: boolean;
  preventDefault?: boolean;
}

/** Signs lie under other modifiers on every keyboard. */
const isSign = (keys: string) => /^[?/]$/.test(keys);

export function useShortcut(
  keys: string,
  work: (event: KeyboardEvent) => void,
  { enabled = true, preventDefault = false }: ShortcutOptions = {},
) {
  const { shortcuts } = useSettings();
  useHotkeys(keys, work, {
    useKey: keys !== "space",
    enabled: shortcuts && enabled,
    preventDefault,
    ignoreModifiers: isSign(keys),
    ignoreEventWhen: (event) => event.ctrlKey || event.metaKey,
  });
}
