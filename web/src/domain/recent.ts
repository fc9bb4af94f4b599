// The cuts that were planned last on this device, the last first.
import type { Request } from "../api/types";

const KEY = "zesty-ember.recent-cuts";
const MOST = 5;
type Cut = Request["cut"];

export function recentCuts(): Cut[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? "[]");
    return Array.isArray(kept) ? kept.filter((one): one is Cut => typeof one === "string") : [];
  } catch {
    return [];
  }
}

export function rememberCut(cut: Cut) {
  const next = [cut, ...recentCuts().filter((one) => one !== cut)].slice(0, MOST);
  try {
    localStorage.setItem(KEY, JSON.stringify(next));
  } catch {
    // A browser that keeps nothing still works for this visit.
  }
}
