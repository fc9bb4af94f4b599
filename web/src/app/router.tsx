// Every place with its address.
import {
  createRootRoute,
  createRoute,
  createRouter,
  lazyRouteComponent,
} from "@tanstack/react-router";
import { Empty, Trouble } from "../components/Notice";
import { readBenchSearch, readPlanSearch } from "../domain/address";
import { readLogSearch } from "../places/logbook/search";
import { Frame } from "./Frame";

const root = createRootRoute({
  component: Frame,
  notFoundComponent: () => (
    <Empty title="Page not found">
      This address leads nowhere. The places are in the line above.
    </Empty>
  ),
});

const today = createRoute({
  getParentRoute: () => root,
  path: "/",
  component: lazyRouteComponent(() => import("../places/today/TodayPlace"), "TodayPlace"),
});

const plan = createRoute({
  getParentRoute: () => root,
  path: "/plan",
  validateSearch: readPlanSearch,
  component: lazyRouteComponent(() => import("../places/plan/PlanPlace"), "PlanPlace"),
});

const fryer = createRoute({
  getParentRoute: () => root,
  path: "/fryer",
  /** The supper to show large. */
  validateSearch: ({ supper }: Record<string, unknown>): { supper?: string } =>
    typeof supper === "string" ? { supper } : { supper: undefined },
  component: lazyRouteComponent(() => import("../places/fryer/FryerPlace"), "FryerPlace"),
});

const fryerCook = createRoute({
  getParentRoute: () => root,
  path: "/fryer/$id",
  component: lazyRouteComponent(() => import("../places/fryer/FryerCook"), "FryerCook"),
});

const logbook = createRoute({
  getParentRoute: () => root,
  path: "/logbook",
  validateSearch: readLogSearch,
  component: lazyRouteComponent(() => import("../places/logbook/LogbookPlace"), "LogbookPlace"),
});

const logbookCook = createRoute({
  getParentRoute: () => root,
  path: "/logbook/$id",
  component: lazyRouteComponent(() => import("../places/logbook/LogbookCook"), "LogbookCook"),
});

const logbookCompare = createRoute({
  getParentRoute: () => root,
  path: "/logbook/$id/with/$other",
  component: lazyRouteComponent(() => import("../places/logbook/LogbookCompare"), "LogbookCompare"),
});

const bench = createRoute({
  getParentRoute: () => root,
  path: "/bench",
  validateSearch: readBenchSearch,
  component: lazyRouteComponent(() => import("../places/bench/BenchPlace"), "BenchPlace"),
});

const supper = createRoute({
  getParentRoute: () => root,
  path: "/supper",
  component: lazyRouteComponent(() => import("../places/supper/SupperPlace"), "SupperPlace"),
});

const keptSupper = createRoute({
  getParentRoute: () => root,
  path: "/supper/$id",
  component: lazyRouteComponent(() => import("../places/supper/SupperKept"), "SupperKept"),
});

const kitchen = createRoute({
  getParentRoute: () => root,
  path: "/kitchen",
  component: lazyRouteComponent(() => import("../places/kitchen/KitchenPlace"), "KitchenPlace"),
});

const newMachine = createRoute({
  getParentRoute: () => root,
  path: "/kitchen/new",
  /** The typical machine it is like. */
  validateSearch: ({ like }: Record<string, unknown>): { like?: string } =>
    typeof like === "string" ? { like } : { like: undefined },
  component: lazyRouteComponent(() => import("../places/kitchen/MachinePlace"), "NewMachinePlace"),
});

const machine = createRoute({
  getParentRoute: () => root,
  path: "/kitchen/$id",
  component: lazyRouteComponent(() => import("../places/kitchen/MachinePlace"), "MachinePlace"),
});

const join = createRoute({
  getParentRoute: () => root,
  path: "/join",
  component: lazyRouteComponent(() => import("../places/join/JoinPlace"), "JoinPlace"),
});

export const router = createRouter({
  routeTree: root.addChildren([
    today,
    plan,
    fryer,
    fryerCook,
    logbook,
    logbookCook,
    logbookCompare,
    bench,
    supper,
    keptSupper,
    kitchen,
    newMachine,
    machine,
    join,
  ]),
  defaultPreload: "intent",
  defaultErrorComponent: ({ reset }) => (
    <Trouble onRetry={reset}>Something went wrong. Nothing saved is lost.</Trouble>
  ),
});

declare module "@tanstack/react-router" {
  interface Register {
    router: typeof router;
  }
}
