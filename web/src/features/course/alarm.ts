// Telling that a step is due: a tone, the title of the page, and a screen that stays on.
import { useEffect, useRef } from "react";

let context: AudioContext | null = null;

/** Browsers allow sound only after a touch; call this from one. */
export function allowSound() {
  context ??= new AudioContext();
  void context.resume();
}

function tone() {
  if (context?.state !== "running") return;
  const now = context.currentTime;
  for (const [n, pitch] of [660, 880, 660].entries()) {
    const oscillator = context.createOscillator();
    const gain = context.createGain();
    oscillator.frequency.value = pitch;
    gain.gain.setValueAtTime(0.0001, now + n * 0.22);
    gain.gain.exponentialRampToValueAtTime(0.3, now + n * 0.22 + 0.02);
    gain.gain.exponentialRampToValueAtTime(0.0001, now + n * 0.22 + 0.2);
    oscillator.connect(gain).connect(context.destination);
    oscillator.start(now + n * 0.22);
    oscillator.stop(now + n * 0.22 + 0.22);
  }
}

/** Repeats the tone while something is due, ms. */
const REPEAT = 5_000;

export function useAlarm(due: boolean, muted: boolean) {
  useEffect(() => {
    if (!due || muted) return;
    tone();
    navigator.vibrate?.([200, 100, 200]);
    const timer = setInterval(tone, REPEAT);
    return () => clearInterval(timer);
  }, [due, muted]);
}

export function useTitle(title: string) {
  useEffect(() => {
    const before = document.title;
    document.title = title;
    return () => {
      document.title = before;
    };
  }, [title]);
}

/** Keeps the screen on where the browser can, also after the page was away. */
export function useWakeLock(active: boolean) {
  const lock = useRef<WakeLockSentinel | null>(null);
  useEffect(() => {
    if (!active || !("wakeLock" in navigator)) return;
    const take = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        lock.current = await navigator.wakeLock.request("screen");
      } catch {
        // Refused, for example on low battery; the cook goes on without it.
      }
    };
    void take();
    document.addEventListener("visibilitychange", take);
    return () => {
      document.removeEventListener("visibilitychange", take);
      void lock.current?.release();
      lock.current = null;
    };
  }, [active]);
}
