// Times of day and countdowns.

const pad = (value: number) => String(value).padStart(2, "0");

export const clock = (at: Date) => `${pad(at.getHours())}:${pad(at.getMinutes())}`;

/** The time zone of this device's clock. */
export const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone || "UTC";

/** "3:52", or "1:03:52" from an hour on; a leading minus once it is past. */
export function countdown(seconds: number): string {
  const sign = seconds < 0 ? "−" : "";
  const whole = Math.floor(Math.abs(seconds));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return sign + (h > 0 ? `${h}:${pad(m)}:${pad(s)}` : `${m}:${pad(s)}`);
}

/** The next time the clock shows "19:00", from now on. */
export function nextAt(text: string, now: Date): Date | null {
  const match = /^\s*(\d{1,2})[:.h]?(\d{2})\s*$/.exec(text);
  const [hours, minutes] = [Number(match?.[1]), Number(match?.[2])];
  if (!match || hours > 23 || minutes > 59) return null;
  const at = new Date(now);
  at.setHours(hours, minutes, 0, 0);
  if (at.getTime() < now.getTime()) at.setDate(at.getDate() + 1);
  return at;
}

/** The same on paper, which is read on another day. */
export const weekday = (at: Date) => at.toLocaleDateString(undefined, { weekday: "short" });

export function day(at: Date, now: Date): string {
  const midnight = (date: Date) => new Date(date).setHours(0, 0, 0, 0);
  const days = Math.round((midnight(now) - midnight(at)) / 86_400_000);
  if (days === 0) return "today";
  if (days === 1) return "yesterday";
  if (days === -1) return "tomorrow";
  return at.toLocaleDateString(undefined, { weekday: "short", day: "numeric", month: "short" });
}
