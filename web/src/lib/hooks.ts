// Small hooks without any knowledge of cooking.
import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from "react";

/** Width of an element in CSS pixels, 0 until it is laid out. */
export function useWidth<T extends HTMLElement>(): [RefObject<T | null>, number] {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    setWidth(element.clientWidth);
    const observer = new ResizeObserver(() => setWidth(element.clientWidth));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}

/** The time, renewed after each interval, ms, and when the page wakes up. */
export function useNow(every: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const tick = () => setNow(Date.now());
    const timer = setInterval(tick, every);
    document.addEventListener("visibilitychange", tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", tick);
    };
  }, [every]);
  return now;
}

/** The value once it has stood still for a moment. */
export function useSettled<T>(value: T, milliseconds: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return settled;
}

/** Whether the browser thinks it is connected. */
export function useOnline(): boolean {
  const [online, setOnline] = useState(() => navigator.onLine);
  useEffect(() => {
    const update = () => setOnline(navigator.onLine);
    window.addEventListener("online", update);
    window.addEventListener("offline", update);
    return () => {
      window.removeEventListener("online", update);
      window.removeEventListener("offline", update);
    };
  }, []);
  return online;
}

/** An identity for a document made of some words: the same until the words change, so that a repeated request
 * after a lost answer makes it once. */
export function useIdentity(said: unknown): string {
  const key = JSON.stringify(said);
  const [known, setKnown] = useState(() => ({ key, id: crypto.randomUUID() }));
  if (known.key === key) return known.id;
  const next = { key, id: crypto.randomUUID() };
  setKnown(next);
  return next.id;
}

/** Lets each kind of thing happen once within an interval, ms: double taps and bouncing keys count
 * once. Says whether one has just happened. */
export function useOnce(within: number): [(kind: string, work: () => void) => void, boolean] {
  const last = useRef(new Map<string, number>());
  const [just, setJust] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const once = (kind: string, work: () => void) => {
    const now = performance.now();
    if (now - (last.current.get(kind) ?? Number.NEGATIVE_INFINITY) < within) return;
    last.current.set(kind, now);
    setJust(true);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => setJust(false), within);
    work();
  };
  return [once, just];
}

/** How long the page was last behind another one or asleep, ms, until it is looked at for a while. */
export function useWasAway(longer: number, shown: number): number {
  const [away, setAway] = useState(0);
  useEffect(() => {
    let since = document.hidden ? Date.now() : 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const change = () => {
      if (document.hidden) {
        since = Date.now();
        return;
      }
      const time = since > 0 ? Date.now() - since : 0;
      if (time < longer) return;
      setAway(time);
      clearTimeout(timer);
      timer = setTimeout(() => setAway(0), shown);
    };
    document.addEventListener("visibilitychange", change);
    return () => {
      document.removeEventListener("visibilitychange", change);
      clearTimeout(timer);
    };
  }, [longer, shown]);
  return away;
}
