// The alarms of everything that is going on: sounds, vibration, the title, a notification while the page
// is behind another, and a screen that stays on.
import { useEffect, useRef, useSyncExternalStore } from "react";
import { useSettings } from "../../domain/settings";
import { type Alarm, type Due, rings } from "./ring";
import { allowSound, isSoundAllowed, listenToSound, play } from "./sound";

/** Sounds are handed over so far ahead, ms, and again before they run out. */
const AHEAD = 10 * 60_000;
const ANEW = 4 * 60_000;

export const useSoundAllowed = () => useSyncExternalStore(listenToSound, isSoundAllowed);

export function useAlarms(alarms: Alarm[]) {
  const { muted, prealert_min } = useSettings();
  const allowed = useSoundAllowed();
  // Any gesture will do.
  useEffect(() => {
    const events = ["pointerdown", "keydown"] as const;
    for (const event of events) window.addEventListener(event, allowSound);
    return () => {
      for (const event of events) window.removeEventListener(event, allowSound);
    };
  }, []);
  const dues = alarms.map((alarm) => alarm.due);
  const text = JSON.stringify(dues);
  useEffect(() => {
    if (muted || !allowed) return;
    const own: Due[] = JSON.parse(text);
    let back: (() => void)[] = [];
    const schedule = () => {
      for (const takeBack of back) takeBack();
      const now = Date.now();
      // A missed alarm rings at once.
      const late = own.map((due) => (due.at <= now && !due.once ? { ...due, at: now + 50 } : due));
      back = rings(late, now, AHEAD, prealert_min * 60_000).map((ring) =>
        play(ring.sound, (ring.at - now) / 1000),
      );
    };
    schedule();
    const timer = setInterval(schedule, ANEW);
    document.addEventListener("visibilitychange", schedule);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", schedule);
      for (const takeBack of back) takeBack();
    };
  }, [text, muted, allowed, prealert_min]);
  useNudges(alarms);
}

/** Vibration and a notification the moment something is due. */
function useNudges(alarms: Alarm[]) {
  const told = useRef(new Set<string>());
  const next = alarms.find((alarm) => !told.current.has(keyOf(alarm)));
  const key = next && keyOf(next);
  const at = next?.at ?? 0;
  const [what, name] = [next?.what ?? "", next?.name ?? ""];
  useEffect(() => {
    if (!key) return;
    const wait = at - Date.now();
    // A day is more than any timer should wait for; the page is drawn again long before.
    if (wait > 86_400_000) return;
    const timer = setTimeout(
      () => {
        told.current.add(key);
        // Before the first touch a browser does not let a page vibrate.
        if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.([200, 100, 200]);
        if (document.hidden) void notify(what, name, key);
      },
      Math.max(0, wait),
    );
    return () => clearTimeout(timer);
  }, [key, at, what, name]);
}

/** A check that is due again rings again. */
const keyOf = ({ due }: Alarm) => `${due.key} ${Math.round(due.at / 60_000)}`;

async function notify(what: string, body: string, tag: string) {
  if (!("Notification" in window) || Notification.permission !== "granted") return;
  const registration = await navigator.serviceWorker?.getRegistration();
  if (registration) await registration.showNotification(what, { body, tag });
  else new Notification(what, { body, tag });
}

const locks = new Set<() => void>();
let held = false;

function holds(now: boolean) {
  held = now;
  for (const listener of locks) listener();
}

/** Whether the screen is held awake. */
export const useAwake = () =>
  useSyncExternalStore(
    (listener) => {
      locks.add(listener);
      return () => {
        locks.delete(listener);
      };
    },
    () => held,
  );

/** Keeps the screen on where the browser can, also after the page was away. */
export function useWakeLock(active: boolean) {
  useEffect(() => {
    if (!active || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    const take = async () => {
      if (document.visibilityState !== "visible" || (lock && !lock.released)) return;
      try {
        lock = await navigator.wakeLock.request("screen");
        lock.addEventListener("release", () => holds(false));
        holds(true);
      } catch {
        // Refused, for example on low battery; the cook goes on without it.
      }
    };
    void take();
    document.addEventListener("visibilitychange", take);
    return () => {
      document.removeEventListener("visibilitychange", take);
      void lock?.release();
    };
  }, [active]);
}
