// The cuts that were planned last on this device, the last first.
import type { Request } from "../api/types";
import { stored } from "../lib/stored";

const MOST = 5;
type Cut = Request["cut"];

const recent = stored("zesty-ember.recent-cuts", (value) =>
  Array.isArray(value) ? value.filter((one): one is Cut => typeof one === "string") : [],
);

export const recentCuts = recent.get;

export const rememberCut = (cut: Cut) =>
  recent.set([cut, ...recent.get().filter((one) => one !== cut)].slice(0, MOST));
