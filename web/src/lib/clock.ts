// Times of day, days and countdowns, as this device's language writes them.

const pad = (value: number) => String(value).padStart(2, "0");

/** A format is made once: it costs more than what it writes. */
const language = typeof navigator === "undefined" ? undefined : navigator.language;
export function clockFormat(of?: string) {
  const format = new Intl.DateTimeFormat(of, { hour: "numeric", minute: "2-digit" });
  // A clock of 24 hours shows both digits: "09:05", also where browsers write one.
  return format.resolvedOptions().hour12
    ? format
    : new Intl.DateTimeFormat(of, { hour: "2-digit", minute: "2-digit" });
}
const CLOCK = clockFormat(language);
const WEEKDAY = new Intl.DateTimeFormat(language, { weekday: "short" });
const DATE = new Intl.DateTimeFormat(language, {
  weekday: "short",
  day: "numeric",
  month: "short",
});
const RELATIVE_DAYS = new Map([
  [0, "today"],
  [1, "yesterday"],
  [-1, "tomorrow"],
]);

/** Writes a time of day: "19:00" or "7:00 PM". It is never broken over two lines. */
export const clock = (at: Date, format = CLOCK) => format.format(at).replace(/\s/g, "\u00a0");

/** A time of day for an address or a document, the same in every language: "19:00". */
export const timeOfDay = (at: Date) => `${pad(at.getHours())}:${pad(at.getMinutes())}`;

/** The time zone of this device's clock. */
export const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC";

/** "3:52", or "1:03:52" from an hour on; a leading minus once it is past. */
export function countdown(seconds: number): string {
  const sign = seconds < 0 ? "−" : "";
  const whole = Math.floor(Math.abs(seconds));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return sign + (h > 0 ? `${h}:${pad(m)}:${pad(s)}` : `${m}:${pad(s)}`);
}

const TYPED = /^(\d{1,2})(?:\s*[:.h]?\s*(\d{2}))?\s*h?\s*([ap])?\.?\s*(?:m\.?)?$/i;

/** The next time the clock shows what was typed, from now on: "19:00", "19.30", "1930", "7 pm". */
export function nextAt(text: string, now: Date): Date | null {
  const match = TYPED.exec(text.trim());
  if (!match) return null;
  const [, typedHours, typedMinutes, half] = match;
  const [written, minutes] = [Number(typedHours), Number(typedMinutes ?? 0)];
  // "7" alone could be in the morning or in the evening.
  if (typedMinutes === undefined && half === undefined && written <= 12) return null;
  if (half !== undefined && (written < 1 || written > 12)) return null;
  const hours =
    half === undefined ? written : (written % 12) + (half.toLowerCase() === "p" ? 12 : 0);
  if (hours > 23 || minutes > 59) return null;
  const at = new Date(now);
  at.setHours(hours, minutes, 0, 0);
  if (at.getTime() < now.getTime()) at.setDate(at.getDate() + 1);
  return at;
}

/** A time of day of an address or a document as this language writes it. */
export function clockText(text: string): string {
  const at = nextAt(text, new Date());
  return at ? clock(at) : text;
}

/** How a time of day is typed in this language, as an example. */
export const clockExample = () => clock(new Date(2000, 0, 1, 19, 0));

export const weekday = (at: Date) => WEEKDAY.format(at);

/** "today", "tomorrow", "yesterday" or "Sat 28 Nov". */
export function day(at: Date, now: Date): string {
  const midnight = (date: Date) => new Date(date).setHours(0, 0, 0, 0);
  const days = Math.round((midnight(now) - midnight(at)) / 86_400_000);
  return RELATIVE_DAYS.get(days) ?? DATE.format(at);
}

/** A time of day, with its weekday where it is not today. */
export const clockOn = (at: Date, now: Date) =>
  at.toDateString() === now.toDateString() ? clock(at) : `${weekday(at)} ${clock(at)}`;
