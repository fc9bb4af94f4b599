// What the kitchen has learned, as part of a sentence: of its machine by name, and of its cut.
import type { Learned, Request } from "../api/types";

type Known = NonNullable<Request["known"]>;

/** What is known for a machine and a cut; nothing where that is nothing. */
function knownOf(request: Request, learned: Learned | undefined): Known | undefined {
  const machine = learned?.machines.find((one) => one.machine === request.machine.name)?.known;
  const cut = learned?.cuts.find((one) => one.cut === request.cut)?.known;
  // What is left over was cooked: its thickness is another.
  const raw = request.handling !== "left_over";
  const known = {
    ...(machine && machine.cooks > 0 ? { machine } : {}),
    ...(cut && raw ? { cut } : {}),
  };
  return Object.keys(known).length > 0 ? known : undefined;
}

/** A sentence that counts with what was learned. */
export const withKnown = (request: Request, learned: Learned | undefined): Request => ({
  ...request,
  known: knownOf(request, learned),
});

/** "runs 8 °C hot, blows 12 % harder, from 6 cooks". */
export function learnedWords(
  known: NonNullable<Known["machine"]>,
  degrees: (kelvins: number) => string,
): string {
  const percent = Math.round((known.heat_factor - 1) * 100);
  const hot =
    Math.abs(known.offset_k) < 0.5
      ? "is as hot as its dial says"
      : `runs ${degrees(Math.abs(known.offset_k))} ${known.offset_k > 0 ? "hot" : "cold"}`;
  const blows =
    percent === 0
      ? "blows as usual"
      : `blows ${Math.abs(percent)} % ${percent > 0 ? "harder" : "weaker"}`;
  const cooks = known.cooks === 1 ? "1 cook" : `${known.cooks} cooks`;
  return `${hot}, ${blows}, from ${cooks}`;
}
