// Everything that is going on: each running cook and each supper with the next thing it asks for, the
// nearest first.
import { useQueries, useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { ApiFailure } from "../../api/client";
import { cookQuery, cooksQuery } from "../../api/queries";
import type { Cook, KeptSupper } from "../../api/types";
import { order } from "../../domain/message";
import { useSettings } from "../../domain/settings";
import type { Alarm } from "../../features/alarm/ring";
import { preparing } from "../../features/course/preparing";
import { useWaiting } from "../../features/course/reports";
import { type Standing, type StandingStep, skewOf, standing } from "../../features/course/standing";
import { nextMoment } from "../../features/supper/next";
import { useComing } from "../../features/supper/useComing";
import type { Units } from "../../lib/units";

/** A cook, and the supper whose dish it is. */
interface OfCook {
  kind: "cook";
  cook: Cook;
  received: number;
  supper: KeptSupper | undefined;
}

export interface Affair extends Alarm {
  key: string;
  of:
    | OfCook
    | { kind: "supper"; kept: KeptSupper }
    | { kind: "planned"; cook: Cook; received: number };
}

/** The page asks again this often where nothing tells it sooner, ms. */
const AGAIN = 15_000;
/** A supper whose next thing is this near is going on, ms. */
const NEAR = 12 * 3_600_000;
/** A time that moves by less than this stands still, so that nothing rings twice, ms. */
const STILL = 2_000;

const runningQuery = () => ({
  ...cooksQuery({ state: "running", per_page: 50 }),
  refetchInterval: AGAIN,
});

/** When the server last answered, ms, where it does not answer now. */
export function useLost(): number | null {
  const { error, dataUpdatedAt } = useQuery(runningQuery());
  return error instanceof ApiFailure && error.isPassing ? dataUpdatedAt : null;
}

/** Planned cooks, so that they are there when the network is gone. */
function usePlanned(): { cook: Cook; received: number }[] {
  const list = useQuery(cooksQuery({ state: "planned" }));
  return useQueries({
    queries: (list.data?.items ?? []).map((row) => cookQuery(row.id)),
    combine: (known) =>
      known.flatMap(({ data, dataUpdatedAt }) =>
        data?.state === "planned" ? [{ cook: data, received: dataUpdatedAt }] : [],
      ),
  });
}

export function useRunning(): { cook: Cook; received: number }[] {
  const list = useQuery(runningQuery());
  return useQueries({
    queries: (list.data?.items ?? []).map((row) => ({
      ...cookQuery(row.id),
      refetchInterval: AGAIN,
    })),
    combine: (known) =>
      known.flatMap(({ data, dataUpdatedAt }) =>
        data?.state === "running" ? [{ cook: data, received: dataUpdatedAt }] : [],
      ),
  });
}

export function useAffairs(now: number): Affair[] {
  const units = useSettings();
  const running = useRunning();
  const waiting = useWaiting();
  const coming = useComing(now);
  const planned = usePlanned();
  const known = useRef(new Map<string, number>());
  const affairs = [
    ...running.flatMap(({ cook, received }) => {
      const own = waiting.filter((one) => one.of === cook.id && one.refused === undefined);
      const stands = standing(cook, own, skewOf(cook, received));
      const supper = coming.find((one) => one.id === cook.supper);
      const of = { kind: "cook", cook, received, supper } as const;
      if (stands.closed) return [];
      return [stands.current ? ofCook(of, stands.current, units) : over(of, stands)];
    }),
    ...planned.flatMap(({ cook, received }) => {
      const own = waiting.filter((one) => one.of === cook.id && one.refused === undefined);
      const affair = ofPreparation(cook, received, own, now);
      return affair && affair.at < now + NEAR ? [affair] : [];
    }),
    ...coming.flatMap((kept) => {
      const affair = ofSupper(kept, now);
      return affair && affair.at < now + NEAR ? [affair] : [];
    }),
  ];
  for (const affair of affairs) {
    const before = known.current.get(affair.due.key);
    if (before !== undefined && Math.abs(before - affair.at) < STILL) {
      affair.at = before;
      affair.due.at = before;
    }
    known.current.set(affair.due.key, affair.at);
  }
  return affairs.sort((a, b) => a.at - b.at);
}

/** The end of a wait rings once. */
const ONCE = new Set(["load", "rest", "serve"]);

const nameOf = ({ cook, supper }: OfCook) =>
  supper ? `${cook.name}, ${supper.supper.name}` : cook.name;

function ofCook(of: OfCook, current: StandingStep, units: Units): Affair {
  const { cook } = of;
  const { step, index, due } = current;
  const key = `cook ${cook.id} ${index}`;
  const back = cook.course?.pulled_at ? cook.course.estimate?.back_in_s : null;
  const once = ONCE.has(step.kind) && !back;
  return {
    key: cook.id,
    name: nameOf(of),
    what: back ? "Put it back" : order(step, units),
    at: due,
    due: { key, at: due, once, sound: once ? "over" : step.kind === "pull" ? "out" : "due" },
    of,
  };
}

/** Everything is done and it is not closed: it waits to be written down, and rings no more. */
function over(of: OfCook, { steps }: Standing): Affair {
  const at = Math.max(...steps.map((step) => step.done ?? 0));
  const key = `cook ${of.cook.id} over`;
  return {
    key: of.cook.id,
    name: nameOf(of),
    what: "How did it come out?",
    at,
    due: { key, at, once: true, sound: null },
    of,
  };
}

/** The preparation of a planned cook: only once it has begun, or where its time is known. */
function ofPreparation(
  cook: Cook,
  received: number,
  waiting: ReturnType<typeof useWaiting>,
  now: number,
): Affair | null {
  const { current, asks, what } = preparing(cook, waiting, skewOf(cook, received), now);
  if (!current || asks === null || what === null) return null;
  const key = `prepare ${cook.id} ${current.index} ${what}`;
  return {
    key: cook.id,
    name: cook.name,
    what,
    at: asks,
    due: { key, at: asks, once: true, sound: "due" },
    of: { kind: "planned", cook, received },
  };
}

function ofSupper(kept: KeptSupper, now: number): Affair | null {
  const moment = nextMoment(kept, now);
  if (!moment) return null;
  const at = new Date(moment.at).getTime();
  const dish = kept.plan.dishes[moment.dish]?.name;
  const key = `supper ${kept.id} ${moment.dish} ${moment.task} ${moment.moment}`;
  return {
    key: kept.id,
    name: dish ? `${dish}, ${kept.supper.name}` : kept.supper.name,
    what: moment.what,
    at,
    due: { key, at, once: false, sound: "due" },
    of: { kind: "supper", kept },
  };
}
