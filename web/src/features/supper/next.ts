// The one next thing of a supper.
import type { Supper, SupperPlan } from "../../api/types";

type Moment = SupperPlan["agenda"][number];
type Begun = NonNullable<Supper["begun"]>[number];

const HOUR = 3_600_000;

/** The task a moment belongs to, where it has begun. */
export const begunOf = (supper: Supper, moment: Moment): Begun | undefined =>
  supper.begun?.find((one) => one.dish === moment.dish && one.task === moment.task);

/** What has not begun and is not long past. */
export const nextMoment = (supper: Supper, plan: SupperPlan, now: number): Moment | undefined =>
  plan.agenda.find(
    (moment) => !begunOf(supper, moment) && new Date(moment.end_at).getTime() > now - HOUR,
  );
