// What the kitchen has learned, as part of a sentence: of its machine by name, and of its cut.
import type { Learned, Request } from "../api/types";
import { count } from "../lib/text";

type Known = NonNullable<Request["known"]>;

/** Learned values of a machine and a cut; undefined without any. */
function knownOf(request: Request, learned: Learned | undefined): Known | undefined {
  const machine = learned?.machines.find((one) => one.machine === request.machine.name)?.known;
  const cut = learned?.cuts.find((one) => one.cut === request.cut)?.known;
  // Leftovers were cooked: their thickness differs.
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

/** "runs 8 °C hot, blows 12 % harder, browns 20 % faster, from 6 cooks". */
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
  return [hot, blows, ...browns(known), `from ${count(known.cooks, "cook")}`].join(", ");
}

/** "browns 20 % faster"; nothing where that is as usual. */
function browns({ browning_factor = 1 }: NonNullable<Known["machine"]>): string[] {
  const percent = Math.round((browning_factor - 1) * 100);
  return percent === 0
    ? []
    : [`browns ${Math.abs(percent)} % ${percent > 0 ? "faster" : "slower"}`];
}

/** Less than this is no news: heat as a share, kelvins, browning and thickness as shares. */
const NEWS = { heat: 0.01, offset: 0.5, browning: 0.03, thick: 0.02 };

/** Learned values that changed since a plan was made, in words; undefined without a change. */
export function sinceWords(
  then: Known | null | undefined,
  now: Known | null | undefined,
  degrees: (kelvins: number) => string,
): string | null {
  if (!then || !now) return null;
  const [before, machine] = [then.machine, now.machine];
  const machineNews =
    machine &&
    (Math.abs(machine.heat_factor - (before?.heat_factor ?? 1)) >= NEWS.heat ||
      Math.abs(machine.offset_k - (before?.offset_k ?? 0)) >= NEWS.offset ||
      Math.abs((machine.browning_factor ?? 1) - (before?.browning_factor ?? 1)) >= NEWS.browning);
  const [was, cut] = [then.cut, now.cut];
  const thicker = cut ? cut.thickness_factor / (was?.thickness_factor ?? 1) - 1 : 0;
  const said = [
    ...(machineNews ? [`the machine ${learnedWords(machine, degrees)}`] : []),
    ...(Math.abs(thicker) >= NEWS.thick
      ? [
          `pieces are taken ${Math.round(Math.abs(thicker) * 100)} % ${thicker > 0 ? "thicker" : "thinner"}`,
        ]
      : []),
  ];
  return said.length > 0 ? said.join("; ") : null;
}
