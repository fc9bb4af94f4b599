// What two cooks of the log differ in, in words.
import type { Catalogue, Cook } from "../../api/types";
import { surfaceWords } from "../../domain/surface";
import { DONENESS, outsideWords } from "../../features/course/OutcomeForm";
import { targetWords } from "../../features/logbook/CookEntry";
import { count } from "../../lib/text";
import { length, mass, minutes, setting, temperature, type Units } from "../../lib/units";

export interface Difference {
  what: string;
  first: string;
  second: string;
}

/** When the first batch came out, min from loading; nothing where nobody told. */
export function outAfter(cook: Cook): number | null {
  const { course, plan } = cook;
  const loaded = course?.loaded_at;
  const pull = plan.steps.findIndex(({ kind }) => kind === "pull");
  const told =
    course?.steps[pull]?.done_at ??
    cook.events.find(({ happening }) => happening.kind === "pulled")?.at;
  return loaded && told ? (Date.parse(told) - Date.parse(loaded)) / 60_000 : null;
}

/** Every line in which they differ, in the order of the work. */
export function differences(
  a: Cook,
  b: Cook,
  { cuts, layers }: Pick<Catalogue, "cuts" | "layers">,
  units: Units,
): Difference[] {
  const entryOf = ({ request }: Cook) => cuts.find(({ cut }) => cut === request.cut);
  const lines: [string, (cook: Cook) => string][] = [
    ["Cut", (cook) => entryOf(cook)?.plural ?? ""],
    ["Pieces", ({ request }) => `${request.pieces} of ${mass(request.piece_mass_g, units)}`],
    [
      "Thickness",
      ({ request, plan }) =>
        request.thickness_mm == null
          ? `about ${length(plan.thickness_mm, units)}, not measured`
          : length(request.thickness_mm, units),
    ],
    ["Start", ({ request }) => (request.start ?? "fridge").replaceAll("_", " ")],
    [
      "Surface",
      (cook) => {
        const entry = entryOf(cook);
        return entry ? surfaceWords(cook.request.surface ?? [], entry, layers) : "";
      },
    ],
    ["Machine", ({ request }) => request.machine.name],
    ["Setting", ({ plan }) => setting(plan.setting_c, units)],
    ["Until", ({ plan }) => targetWords(plan, units)],
    ["Planned out after", ({ plan }) => minutes(plan.pull_at_s)],
    [
      "Out after",
      (cook) => {
        const out = outAfter(cook);
        return out === null ? "not told" : minutes(60 * out);
      },
    ],
    [
      "Last reading",
      ({ events }) => {
        const cores = events.flatMap(({ happening }) =>
          happening.kind === "reading" ? [happening.core_c] : [],
        );
        const last = cores.at(-1);
        return last === undefined
          ? "none"
          : `${temperature(last, units)} of ${count(cores.length, "reading")}`;
      },
    ],
    ["Outside", ({ course }) => (course?.outcome ? outsideWords(course.outcome) : "")],
    [
      "Inside",
      ({ course }) => (course?.outcome ? (DONENESS[course.outcome.doneness - 1] ?? "") : ""),
    ],
    ["Cooked by", ({ course }) => course?.outcome?.by ?? ""],
    ["Note", ({ course }) => course?.outcome?.note ?? ""],
  ];
  return lines
    .map(([what, of]) => ({ what, first: of(a), second: of(b) }))
    .filter(({ first, second }) => first !== second);
}
