// Tasks sorted into lanes: a row below another where they overlap.
import type { SupperPlan } from "../../api/types";

type Picture = NonNullable<SupperPlan["dishes"][number]["picture"]>;

export interface Bar {
  name: string;
  from: number;
  to: number;
  row: number;
  begun: boolean;
  hands: boolean;
  picture?: Picture;
  /** When the meat goes in, ms. */
  load?: number;
}

export interface Lane {
  name: string;
  rows: number;
  bars: Bar[];
  /** Where too much is asked of it. */
  clashes: { from: number; to: number; what: string }[];
}

const time = (text: string) => new Date(text).getTime();

/** Every lane in which something happens, then the counter, then the hands. */
export function bars(plan: SupperPlan): Lane[] {
  const lanes: Lane[] = [...plan.lanes.map((lane) => lane.name), "counter"].map((name) => ({
    name,
    rows: 0,
    bars: [],
    clashes: [],
  }));
  for (const dish of plan.dishes) {
    for (const task of dish.tasks) {
      const lane = lanes[task.lane ?? lanes.length - 1];
      if (!lane || time(task.end_at) <= time(task.start_at)) continue;
      const load = dish.load_at ? time(dish.load_at) : Number.NaN;
      const cooks = load >= time(task.start_at) && load < time(task.end_at);
      put(lane, {
        name: cooks ? dish.name : task.name,
        from: time(task.start_at),
        to: time(task.end_at),
        row: 0,
        begun: task.begun,
        hands: false,
        picture: cooks ? (dish.picture ?? undefined) : undefined,
        load: cooks ? load : undefined,
      });
    }
  }
  const hands: Lane = { name: "your hands", rows: 1, bars: [], clashes: [] };
  for (const moment of plan.agenda) {
    const [from, to] = [time(moment.at), time(moment.end_at)];
    put(hands, { name: moment.what, from, to, row: 0, begun: false, hands: true });
  }
  for (const clash of plan.clashes) {
    const lane = clash.hands ? hands : lanes[clash.lane ?? lanes.length - 1];
    const [from, to] = [time(clash.start_at), time(clash.end_at)];
    lane?.clashes.push({ from, to, what: clash.what });
  }
  return [...lanes.filter((lane) => lane.bars.length > 0), hands];
}

/** Into the first row that is free. */
function put(lane: Lane, bar: Bar) {
  const taken = lane.bars.filter((other) => other.from < bar.to && other.to > bar.from);
  let row = 0;
  while (taken.some((other) => other.row === row)) row += 1;
  lane.bars.push({ ...bar, row });
  lane.rows = Math.max(lane.rows, row + 1);
}

const HOUR = 3_600_000;

/** Marks of the clock: no more than there is room for, on whole hours or their quarters. */
export function hoursBetween(from: number, to: number, most = 10): number[] {
  const steps = [0.25, 0.5, 1, 2, 3, 6, 12].map((hours) => hours * HOUR);
  const step = steps.find((one) => (to - from) / one <= most) ?? 24 * HOUR;
  // By the clock of the place, not of Greenwich.
  const shift = new Date(from).getTimezoneOffset() * 60_000;
  const first = Math.ceil((from - shift) / step) * step + shift;
  const marks = [];
  for (let mark = first; mark < to; mark += step) marks.push(mark);
  return marks;
}
