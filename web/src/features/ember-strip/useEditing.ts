// Changing planned actions on the strip: the pin that is held, its place meanwhile, and the effect, from the
// model.
import { useQuery } from "@tanstack/react-query";
import { useEffect, useEffectEvent, useState } from "react";
import { planQuery } from "../../api/queries";
import type { CutEntry, Plan, PlannedAction, Request } from "../../api/types";
import { added, difference, moved, type Pin, pinsOf, removed, STEP } from "../../domain/pins";
import { useSettled } from "../../lib/hooks";
import type { Units } from "../../lib/units";

export interface EditingOf {
  plan: Plan;
  request: Request;
  entry: CutEntry;
  units: Units;
  onChange: (change: Partial<Request>) => void;
}

/** A pin and where it stands, s, with the plan it is compared with; or a minute something is to be added
 * at, s. */
type Editing = { pin: Pin; at: number; before: Plan; dragged: boolean } | { add: number };

/** The plan of a pin on its way follows once it rests this long, ms; the sentence once it rests longer. */
const SETTLE = 60;
const REST = 500;

const samePin = (a: Pin, b: Pin) => a.of === b.of && a.action.kind === b.action.kind;

export function useEditing({ plan, request, entry, units, onChange }: EditingOf) {
  const [editing, setEditing] = useState<Editing | null>(null);
  const pins = pinsOf(request, plan);
  const held = editing && "pin" in editing ? editing : null;
  // What it belongs to may have changed meanwhile.
  const pin = held ? pins.find((one) => samePin(one, held.pin)) : undefined;
  const change =
    held && pin && Math.abs(held.at - pin.at) > 1 ? moved(request, entry, pin, held.at) : null;
  // The place as a number: an object, compared by identity, would never settle.
  const wanted = change && held ? held.at : null;
  const still = useSettled(wanted, SETTLE) === wanted;
  const rested = useSettled(wanted, REST) === wanted;
  const preview = useQuery({
    ...planQuery({ ...request, ...change }),
    enabled: change !== null && still,
  });

  /** Writes the place of the pin into the sentence. */
  const keep = () => {
    if (!change || !held || !pin) return;
    onChange(change);
    // An action of the method belongs to the cook from now on.
    const of = typeof pin.of === "number" ? pin.of : (request.actions ?? []).length;
    setEditing({ ...held, pin: { ...pin, of }, dragged: false });
  };
  const keepRested = useEffectEvent(keep);
  useEffect(() => {
    if (wanted !== null && rested && !held?.dragged) keepRested();
  }, [wanted, rested, held?.dragged]);

  const shown = change === null ? plan : still && !preview.isPlaceholderData ? preview.data : null;
  return {
    pins,
    held: held && pin ? { pin, at: change ? held.at : pin.at } : null,
    add: editing && "add" in editing ? editing.add : null,
    /** The effect since the pin was taken, once it is known. */
    effect: held && shown && shown !== held.before ? difference(held.before, shown, units) : null,
    choose: (one: Pin) => {
      if (!held || !samePin(held.pin, one)) {
        setEditing({ pin: one, at: one.at, before: plan, dragged: false });
      }
    },
    /** To the nearest minute there is before the pieces come out. */
    move: (at: number, dragged: boolean) => {
      const minute = Math.round(at / STEP) * STEP;
      const inside = Math.min(plan.pull_at_s - STEP, Math.max(STEP, minute));
      if (held) setEditing({ ...held, at: inside, dragged });
    },
    keep,
    remove: (one: Pin) => {
      onChange(removed(request, entry, one));
      setEditing(null);
    },
    addAt: (at: number) => setEditing({ add: at }),
    put: (what: Omit<PlannedAction, "at_s">, at: number) => {
      onChange(added(request, entry, what, at));
      setEditing(null);
    },
    close: () => {
      keep();
      setEditing(null);
    },
  };
}
