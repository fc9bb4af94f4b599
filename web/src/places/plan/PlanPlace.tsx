// Plan: the sentence, the strip, what to do, what to know.
import { Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useLocation, useNavigate, useSearch } from "@tanstack/react-router";
import { useEffect, useEffectEvent, useRef, useState } from "react";
import { catalogueQuery, learnedQuery, machinesQuery, sharedQuery } from "../../api/queries";
import type { Catalogue, Machine, Request } from "../../api/types";
import { Trouble, Waiting } from "../../components/Notice";
import { compact, expand, firstSentence, here, LAST_PLAN } from "../../domain/address";
import { sinceWords, withKnown } from "../../domain/learned";
import { entryOf } from "../../domain/request";
import { isRequest } from "../../domain/schemas";
import { useSettings } from "../../domain/settings";
import { readDraft, writeDraft } from "../../lib/draft";
import { difference } from "../../lib/units";
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
    // What was known of one machine is no news of another.
    ...("machine" in part ? { known: undefined } : {}),
    ...(changed(WEIGHED_FOR) ? { weights_g: undefined } : {}),
    ...(changed(SPLIT_FOR) ? { split: undefined } : {}),
    // Another cut is handled otherwise, and its outside is another.
    ...("cut" in part
      ? {
          known: undefined,
          handling: undefined,
          outside: undefined,
          out_at_c: undefined,
          first_up: undefined,
        }
      : {}),
    // A method of one's own ends with its own surface.
    ...("surface" in part ? { method: undefined } : {}),
    // Another cut is prepared otherwise.
    ...("cut" in part ? { ahead: undefined, method: undefined } : {}),
  };
}

export function PlanPlace() {
  const catalogue = useQuery(catalogueQuery());
  const machines = useQuery(machinesQuery());
  const { shared } = useSearch({ from: "/plan" });
  const sent = useQuery({ ...sharedQuery(shared ?? ""), enabled: shared !== undefined });
  if (catalogue.isError && !catalogue.data) {
    return <Trouble onRetry={() => void catalogue.refetch()}>{catalogue.error.message}</Trouble>;
  }
  if (sent.isError && !sent.data) {
    return <Trouble onRetry={() => void sent.refetch()}>{sent.error.message}</Trouble>;
  }
  const waits = shared !== undefined && sent.isPending;
  if (!catalogue.data || machines.isPending || waits) return <Waiting>Loading…</Waiting>;
  // Without the kitchen's own machines the typical ones do.
  return (
    <Said
      catalogue={catalogue.data}
      own={(machines.data?.items ?? []).map((own) => own.machine)}
      sent={sent.data?.request}
    />
  );
}

interface SaidProps {
  catalogue: Catalogue;
  own: Machine[];
  /** What somebody shared. */
  sent: Request | undefined;
}

/** The address follows once the sentence rests this long, ms: browsers limit how often it may. */
const REST = 400;

function Said({ catalogue, own, sent }: SaidProps) {
  const search = useSearch({ from: "/plan" });
  const { eat, supper, dish, cook } = search;
  const settings = useSettings();
  const { data: learned } = useQuery(learnedQuery());
  const known = [...own, ...catalogue.machine_presets.map((preset) => preset.machine)];
  const [first] = known;
  const usual = first ? firstSentence(catalogue, first, settings) : null;
  const whole = useLocation({ select: ({ state }) => state.request });
  const addressed =
    (isRequest(whole) ? whole : null) ??
    (search.say ? expand(search.say, catalogue, known, settings) : null) ??
    sent ??
    readDraft(LAST_PLAN, isRequest) ??
    usual;
  const [said, say] = useSentence(addressed);
  const tellEat = useEat();
  if (!said) return <Trouble>The catalogue is empty.</Trouble>;

  const request = withKnown(here(said, settings), learned);
  const machines = known.some((machine) => machine.name === request.machine.name)
    ? known
    : [request.machine, ...known];
  const entry = entryOf(catalogue, request);
  if (!entry) return <Trouble>The catalogue is empty.</Trouble>;
  const since = sinceWords(said.known, request.known, (kelvins) => difference(kelvins, settings));
  return (
    <>
      {since ? (
        <Text textStyle="small" color="ink.soft" mt="2" role="note">
          Known since this was planned: {since}.
        </Text>
      ) : null}
      <PlanView
        catalogue={catalogue}
        entry={entry}
        machines={machines}
        request={request}
        eat={eat ?? null}
        cook={cook ?? null}
        of={supper !== undefined && dish !== undefined ? { supper, dish } : null}
        onChange={(part) => say((latest) => ({ ...latest, ...follows(part), ...part }))}
        onEat={tellEat}
      />
    </>
  );
}

function useEat() {
  const navigate = useNavigate({ from: "/plan" });
  return (eat: string | null) =>
    void navigate({
      search: (before) => ({ ...before, eat: eat ?? undefined }),
      state: true,
      replace: true,
      resetScroll: false,
    });
}

type Change = (latest: Request) => Request;

/** The sentence as it stands, which the address follows. A change is one of the latest sentence: an
 * answer that comes late changes its own word and no newer one. */
function useSentence(addressed: Request | null): [Request | null, (change: Change) => void] {
  const navigate = useNavigate({ from: "/plan" });
  const key = useLocation({ select: ({ href, state }) => `${state.__TSR_key ?? ""} ${href}` });
  const [own, setOwn] = useState<{ key: string; request: Request } | null>(null);
  const current = own?.key === key ? own.request : addressed;
  const latest = useRef(current);
  useEffect(() => {
    latest.current = current;
  }, [current]);
  const follow = useEffectEvent((request: Request) => {
    void navigate({
      search: (before) => ({ ...before, shared: undefined, say: compact(request) }),
      state: { request },
      replace: true,
      resetScroll: false,
    });
  });
  useEffect(() => {
    if (!own || own.key !== key) return;
    const timer = setTimeout(() => follow(own.request), REST);
    return () => clearTimeout(timer);
  }, [own, key]);
  return [
    current,
    (change) => {
      if (!latest.current) return;
      latest.current = change(latest.current);
      writeDraft(LAST_PLAN, latest.current);
      setOwn({ key, request: latest.current });
    },
  ];
}
