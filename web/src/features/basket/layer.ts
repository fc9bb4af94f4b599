// How the pieces share the machine, in a few words.
import type { Plan } from "../../api/types";
import { share } from "../../lib/units";

export function layerWords({ loading, batches, airiness }: Plan): string {
  if (loading?.spit) return "on the spit";
  if (loading?.tumbler) return `tumbling, the basket ${share(loading.tumbler.fill)} full`;
  if (batches.length > 1) {
    return `${batches.length} batches, ${batches.map((batch) => batch.pieces).join(" and ")}`;
  }
  const trays = loading?.loads[0]?.trays ?? [];
  if (trays.length < 2) return `one layer, ${airiness}`;
  const words = trays.map(
    (tray) => `${tray.pieces.length} ${on(loading?.levels[tray.level - 1]?.name ?? "")}`,
  );
  return `${words.join(", ")}; ${airiness}`;
}

const on = (level: string) => (level.startsWith("rack") ? `on ${level}` : `in the ${level}`);
