// Plan: the sentence, the strip, what to do, what to know.
import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { catalogueQuery, machinesQuery } from "../../api/queries";
import type { Catalogue, Machine, Request } from "../../api/types";
import { Trouble, Waiting } from "../../components/Notice";
import { entryOf, ofKitchen, ofTable, usual } from "../../domain/request";
import { useSettings } from "../../domain/settings";
import { PlanView } from "./PlanView";

/** What a layout by hand does not outlive: other pieces, or another floor. */
const LAID_FOR = [
  "cut",
  "pieces",
  "piece_mass_g",
  "weights_g",
  "thickness_mm",
  "machine",
  "support",
  "rack",
  "gap_mm",
  "load",
] as const;

/** What a division into batches does not outlive. */
const SPLIT_FOR = ["cut", "pieces"] as const;

/** Weights one by one belong to these pieces. */
const WEIGHED_FOR = ["cut", "pieces", "piece_mass_g"] as const;

function follows(part: Partial<Request>): Partial<Request> {
  const changed = (words: readonly (keyof Request)[]) => words.some((word) => word in part);
  return {
    ...(changed(LAID_FOR) ? { layout: undefined } : {}),
    ...(changed(WEIGHED_FOR) ? { weights_g: undefined } : {}),
    ...(changed(SPLIT_FOR) ? { split: undefined } : {}),
    // Another cut is handled otherwise, and its outside is another.
    ...("cut" in part
      ? { handling: undefined, outside: undefined, out_at_c: undefined, first_up: undefined }
      : {}),
    // Another cut is got ready otherwise.
    // Another surface is none that a way of one's own ends with.
    ...("coat" in part ? { method: undefined } : {}),
    ...("cut" in part ? { ahead: undefined, method: undefined } : {}),
  };
}

export function PlanPlace() {
  const catalogue = useQuery(catalogueQuery());
  const machines = useQuery(machinesQuery());
  if (catalogue.isError) {
    return <Trouble onRetry={() => void catalogue.refetch()}>{catalogue.error.message}</Trouble>;
  }
  if (!catalogue.data || machines.isPending) return <Waiting>Laying out the board…</Waiting>;
  // Without the kitchen's own machines the typical ones do.
  return (
    <Said catalogue={catalogue.data} own={(machines.data?.items ?? []).map((own) => own.machine)} />
  );
}

function Said({ catalogue, own }: { catalogue: Catalogue; own: Machine[] }) {
  const { say, eat, supper, dish, cook } = useSearch({ from: "/plan" });
  const navigate = useNavigate({ from: "/plan" });
  const settings = useSettings();
  const known = [...own, ...catalogue.machine_presets.map((preset) => preset.machine)];
  const machines =
    say && !known.some((machine) => machine.name === say.machine.name)
      ? [say.machine, ...known]
      : known;
  const first = machines[0];
  const drumsticks = catalogue.cuts.find((cut) => cut.cut === "drumstick") ?? catalogue.cuts[0];
  if (!first || !drumsticks) return <Trouble>The catalogue is empty.</Trouble>;

  const request: Request = {
    ...(say ?? { ...usual(drumsticks, first, settings.region), ...ofTable(settings) }),
    ...ofKitchen(settings),
  };
  const entry = entryOf(catalogue, request) ?? drumsticks;
  const change = (part: Partial<Request>) =>
    void navigate({
      search: (before) => ({ ...before, say: { ...request, ...follows(part), ...part } }),
      replace: true,
      resetScroll: false,
    });
  const changeEat = (next: string | null) =>
    void navigate({
      search: (before) => ({ ...before, eat: next ?? undefined }),
      replace: true,
      resetScroll: false,
    });
  return (
    <PlanView
      catalogue={catalogue}
      entry={entry}
      machines={machines}
      request={request}
      eat={eat ?? null}
      cook={cook ?? null}
      of={supper !== undefined && dish !== undefined ? { supper, dish } : null}
      onChange={change}
      onEat={changeEat}
    />
  );
}
