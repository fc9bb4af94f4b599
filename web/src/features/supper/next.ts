// The one next thing of a supper.
import type { KeptSupper, Supper, SupperPlan, SupperReport } from "../../api/types";
import type { Kept } from "../../lib/outbox";

type Moment = SupperPlan["agenda"][number];
type Begun = NonNullable<Supper["begun"]>[number];

const HOUR = 3_600_000;

/** Which task of which dish a moment belongs to: the same for as long as it is the same task. */
export const taskOf = (plan: SupperPlan, moment: Moment): { dish: string; task: string } => {
  const dish = plan.dishes[moment.dish];
  return { dish: dish?.id ?? "", task: dish?.tasks[moment.task]?.key ?? "" };
};

/** The report of that task, where it has begun. */
export const begunOf = (supper: Supper, plan: SupperPlan, moment: Moment): Begun | undefined => {
  const { dish, task } = taskOf(plan, moment);
  return supper.begun?.find((one) => one.dish === dish && one.task === task);
};

/** Its moments of hands that are done. */
const doneOf = (begun: Begun | undefined): number => (begun ? (begun.moments ?? 1) : 0);

/** Whether it has been told that a moment is done. */
export const isDone = (supper: Supper, plan: SupperPlan, moment: Moment): boolean =>
  moment.moment < doneOf(begunOf(supper, plan, moment));

/** The parts of a saved supper that these functions read. */
type Standing = Pick<KeptSupper, "supper" | "plan" | "cooks">;

/** Whether reports of a moment go to the cook that follows its dish at the fryer. */
export function isOfCook({ plan, cooks }: Standing, moment: Moment): boolean {
  const { dish } = taskOf(plan, moment);
  return moment.steps.length > 0 && cooks.some((cook) => cook.dish === dish);
}

/** The moments that are not done, long past, or told to a cook, in order. */
export function openMoments(kept: Standing, now: number): Moment[] {
  const { supper, plan } = kept;
  return plan.agenda.filter(
    (moment) =>
      !isDone(supper, plan, moment) &&
      !isOfCook(kept, moment) &&
      new Date(moment.end_at).getTime() > now - HOUR,
  );
}

/** The first of them. */
export const nextMoment = (kept: Standing, now: number): Moment | undefined =>
  openMoments(kept, now)[0];

/** The reports of a moment: its task begins now; it is done; it takes five minutes more, or begins five
 * minutes later. */
export type Told = Exclude<SupperReport["what"], "undone">;

const PUT_OFF = 5 * 60_000;
/** The task that is the cook itself. */
const COOK = "cook";
/** More moments than a task has. */
const ALL = 99;
const time = (text: string) => new Date(text).getTime();
const text = (at: number) => new Date(at).toISOString();

/** Whether hands are at a task from its beginning to its end. */
export function isWork(plan: SupperPlan, moment: Moment): boolean {
  const task = plan.dishes[moment.dish]?.tasks[moment.task];
  return task !== undefined && time(moment.end_at) >= time(task.end_at) && moment.moment === 0;
}

/** The reports that a moment offers: whether its task is under way, and whether "done" is the only one, since
 * its task has begun or is handwork only. */
export function tellable(supper: Supper, plan: SupperPlan, moment: Moment) {
  const under = doneOf(begunOf(supper, plan, moment)) > 0;
  return { under, once: under || isWork(plan, moment) };
}

/** A supper with that report, as it is shown until the server answers: the same rule as the core's. */
export function told(
  supper: Supper,
  plan: SupperPlan,
  moment: Moment,
  what: Told,
  now: number,
): Supper {
  const tasks = plan.dishes[moment.dish]?.tasks ?? [];
  const task = tasks[moment.task];
  if (!task) return supper;
  const begun = supper.begun ?? [];
  const known = begunOf(supper, plan, moment);
  const [start, end] = known
    ? [time(known.start_at), time(known.end_at)]
    : [time(task.start_at), time(task.end_at)];
  const under = doneOf(known) > 0;
  const own = taskOf(plan, moment);
  let next: { start: number; end: number; moments: number };
  if (what === "begun") {
    if (under) return supper;
    next = { start: now, end: now + end - start, moments: moment.moment + 1 };
  } else if (what === "later") {
    const from = Math.max(now, start) + PUT_OFF;
    next = under
      ? { start, end: end + PUT_OFF, moments: doneOf(known) }
      : { start: from, end: from + end - start, moments: 0 };
  } else if (under && moment.moment >= doneOf(known) && time(moment.end_at) < end) {
    // One of its moments: the task goes on.
    next = { start, end, moments: moment.moment + 1 };
  } else if (!under && task.key === COOK && time(moment.end_at) < end) {
    // A moment of a cook whose beginning was not reported: it ends now, and the cook goes on.
    const from = now - (time(moment.end_at) - start);
    next = { start: from, end: from + end - start, moments: moment.moment + 1 };
  } else {
    next = { start: Math.min(start, now), end: now, moments: ALL };
  }
  // What came before in this dish is done, and what was under way is over, unless this is only put off.
  const before = tasks.slice(0, next.moments > 0 ? moment.task : 0);
  const earlier = before.flatMap((one) => {
    const told = begun.find(
      (known) => known.dish === own.dish && known.task === one.key && doneOf(known) > 0,
    );
    if (told && time(told.end_at) <= next.start) return [];
    const stood = told ?? one;
    return [
      {
        dish: own.dish,
        task: one.key,
        start_at: text(Math.min(time(stood.start_at), next.start)),
        end_at: text(Math.min(time(stood.end_at), next.start)),
        moments: ALL,
      },
    ];
  });
  const others = begun.filter(
    (one) =>
      one !== known && !earlier.some((told) => told.dish === one.dish && told.task === one.task),
  );
  return {
    ...supper,
    begun: [
      ...others,
      ...earlier,
      {
        ...own,
        start_at: text(next.start),
        end_at: text(Math.max(next.start, next.end)),
        moments: next.moments,
      },
    ],
  };
}

/** What happened, without when and under which identity. */
export type Happened = Pick<SupperReport, "dish" | "task" | "moment" | "what" | "event">;

/** The supper as it is with what waits to be sent. */
export function withWaiting(supper: Supper, plan: SupperPlan, waiting: Kept<Happened>[]): Supper {
  const back = waiting.map((one) => one.happening.event);
  return waiting.reduce((so, { id, happening, at }) => {
    const { what } = happening;
    // What the server has is taken back there.
    if (what === "undone" || back.includes(id)) return so;
    const moment = plan.agenda.find((one) => {
      const { dish, task } = taskOf(plan, one);
      return (
        dish === happening.dish && task === happening.task && one.moment === (happening.moment ?? 0)
      );
    });
    return moment ? told(so, plan, moment, what, at) : so;
  }, supper);
}

/** How long a line names what is taken back. */
const LONGEST = 40;

/** A report in a few words: "Salt them, done". */
export function inWords(plan: SupperPlan, { dish, task, moment, what }: Happened): string {
  const of = plan.agenda.find((one) => {
    const own = taskOf(plan, one);
    return own.dish === dish && own.task === task && one.moment === (moment ?? 0);
  });
  const name = of?.what ?? plan.dishes.find((one) => one.id === dish)?.name ?? "the last";
  const short = name.length > LONGEST ? `${name.slice(0, LONGEST).trimEnd()}…` : name;
  return `${short}, ${what === "later" ? "5 min later" : what}`;
}
