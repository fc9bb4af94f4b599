// A supper sorted onto cards: the work before the heat, each cook at its machine, the shopping.
import type { SupperPlan } from "../../api/types";

type Moment = SupperPlan["agenda"][number];

export interface Card {
  title: string;
  moments: Moment[];
  /** The cook it is for. */
  dish?: SupperPlan["dishes"][number];
}

/** The hob and the fridge stand behind the machines. */
const NOT_MACHINES = 2;

/** Everything that is got ready and every side dish on one card, then a card for each cook. */
export function cards(plan: SupperPlan): Card[] {
  const machines = plan.lanes.length - NOT_MACHINES;
  const cooks = (moment: Moment) => {
    const dish = plan.dishes[moment.dish];
    const lane = dish?.tasks[moment.task]?.lane;
    return dish?.load_at != null && lane != null && lane < machines;
  };
  const ahead: Card = { title: "Get ready", moments: plan.agenda.filter((one) => !cooks(one)) };
  const each = plan.dishes.map((dish, n) => ({
    title: `Cook ${dish.name}`,
    moments: plan.agenda.filter((moment) => moment.dish === n && cooks(moment)),
    dish,
  }));
  return [ahead, ...each].filter((card) => card.moments.length > 0);
}
