// Sounds at a time: handed to the browser ahead, so that they come also while the page sleeps behind
// another one.

let context: AudioContext | null = null;
const listeners = new Set<() => void>();

/** The meanings of sounds. */
export type Sound = "soon" | "due" | "out" | "over";

/** Tones of each sound: pitch in Hz, start and length in s. */
const SOUNDS: Record<Sound, [number, number, number][]> = {
  soon: [[523, 0, 0.35]],
  due: [
    [660, 0, 0.2],
    [880, 0.22, 0.2],
    [660, 0.44, 0.2],
  ],
  out: [
    [880, 0, 0.16],
    [1175, 0.18, 0.16],
    [880, 0.36, 0.16],
    [1175, 0.54, 0.16],
    [1568, 0.72, 0.3],
  ],
  over: [
    [784, 0, 0.4],
    [523, 0.45, 0.6],
  ],
};
const LOUD = 0.3;
const SILENT = 0.0001;

/** Browsers allow sound only after a touch or a key; call this from one. */
export function allowSound() {
  if (typeof AudioContext === "undefined") return;
  if (!context) {
    context = new AudioContext();
    context.addEventListener("statechange", () => {
      for (const listener of listeners) listener();
    });
  }
  if (context.state !== "running") void context.resume();
  for (const listener of listeners) listener();
}

export const isSoundAllowed = () => context?.state === "running";

export function listenToSound(listener: () => void) {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
}

/** Plays a sound in this many seconds; returns a function that cancels it. */
export function play(sound: Sound, inSeconds: number): () => void {
  const audio = context;
  if (audio?.state !== "running") return () => undefined;
  const from = audio.currentTime + Math.max(0, inSeconds);
  const oscillators = SOUNDS[sound].map(([pitch, after, length]) => {
    const oscillator = audio.createOscillator();
    const gain = audio.createGain();
    const at = from + after;
    oscillator.frequency.value = pitch;
    gain.gain.setValueAtTime(SILENT, at);
    gain.gain.exponentialRampToValueAtTime(LOUD, at + 0.02);
    gain.gain.exponentialRampToValueAtTime(SILENT, at + length);
    oscillator.connect(gain).connect(audio.destination);
    oscillator.start(at);
    oscillator.stop(at + length + 0.02);
    return oscillator;
  });
  return () => {
    for (const oscillator of oscillators) oscillator.stop();
  };
}
