// The state of the meat in a few plain lines: the last reading, the time left, contradictions, and whether it
// may be served.
import { Box, Text } from "@chakra-ui/react";
import type { Cook, Estimate, Happening, Probe } from "../../api/types";
import { Caution } from "../../components/Notice";
import { clock } from "../../lib/clock";
import type { Kept } from "../../lib/outbox";
import { minutes, temperature, type Units } from "../../lib/units";
import { place, type Unanswered, unanswered } from "./foretold";

interface AnswerProps {
  cook: Cook;
  /** What the server has not answered yet. */
  waiting: Kept<Happening>[];
  /** When the batch in hand went in, ms by this device's clock. */
  loaded: number | null;
  /** ms by this device's clock. */
  now: number;
  /** The server's time less this device's, ms. */
  skew: number;
  units: Units;
}

export function Answer({ cook, waiting, loaded, now, skew, units }: AnswerProps) {
  const estimate = cook.course?.estimate;
  const open = unanswered(estimate, waiting, skew);
  // A server that answers does so within a moment.
  const unsent = waiting.some((one) => now - one.at > MOMENT);
  if (open && unsent) return <WithoutServer open={open} now={now} units={units} />;
  if (!estimate) return null;
  const out = estimate.pull_at == null && cook.course?.pulled_at != null;
  const local = (time: string) => Date.parse(time) - skew;
  const lines = out
    ? resting(estimate, local, units)
    : [...cooking(estimate, coreNow(estimate, loaded, now), now, local, units), moved(cook)];
  const [first = "", ...others] = lines.filter((line) => line !== null);
  // Of which one it speaks.
  const of = cook.plan.batches.length > 1 ? `Batch ${estimate.batch}: ` : "";
  return (
    <Box mb="4" role="status" textStyle="line">
      <Text fontWeight="700">
        {of}
        {first}
      </Text>
      {others.map((line) => (
        <Text key={line} color="ink.say">
          {line}
        </Text>
      ))}
      {out && estimate.safe === "contradicted" ? null : <Doubts estimate={estimate} />}
      <Probes probes={cook.course?.probes ?? []} units={units} />
      {estimate.sauce_burns && !out ? (
        <Caution>
          The sauce is on too early: its sugar burns before the meat is done. Lower the setting, or
          cover the sauced side.
        </Caution>
      ) : null}
    </Box>
  );
}

/** A longer time without an answer is shown, ms. */
const MOMENT = 2_000;

interface WithoutServerProps {
  open: Exclude<Unanswered, null>;
  now: number;
  units: Units;
}

function WithoutServer({ open, now, units }: WithoutServerProps) {
  return (
    <Text mb="4" role="status" textStyle="line" fontWeight="700">
      {open === "not computed"
        ? "Not computed without the server: check every 5 min."
        : `Core ${temperature(open.core, units)}: about ${minutes(Math.max(0, open.more - (now - open.at) / 1000))} more, by the last answer of the server.`}
    </Text>
  );
}

type Local = (time: string) => number;

/** The core as it is computed for now, °C: the estimate itself is of the last report. */
export function coreNow(
  { path_min, path_c, core_c }: Estimate,
  loaded: number | null,
  now: number,
) {
  if (loaded === null) return core_c;
  const at = place(path_min, Math.max(0, now - loaded) / 60_000);
  if (at === null) return path_c.at(-1) ?? core_c;
  const [n, along] = at;
  const low = path_c[n] ?? core_c;
  return low + ((path_c[n + 1] ?? low) - low) * along;
}

function cooking(
  estimate: Estimate,
  core: number,
  now: number,
  local: Local,
  units: Units,
): (string | null)[] {
  const { reading, inside_at, inside_band_at, outside_at, decides } = estimate;
  const left = (time: string) => (local(time) - now) / 1000;
  const read = reading
    ? `Core ${temperature(reading.core_c, units)} at ${clock(new Date(local(reading.at)))}` +
      `${reading.expected_c == null ? "" : `, expected ${temperature(reading.expected_c, units)}`}. `
    : `Core about ${temperature(core, units)}. `;
  if (inside_at == null) {
    return [`${read}It never gets hot enough at this setting: turn the dial up.`];
  }
  const more = left(inside_at);
  if (more > 0) {
    return [
      `${read}Inside done in ${minutes(more)}${band(inside_band_at, left)}.`,
      decides === "outside" && outside_at != null
        ? `The outside decides: it comes out in ${minutes(Math.max(0, left(outside_at)))}.`
        : null,
    ];
  }
  const pull = estimate.pull_at == null ? 0 : left(estimate.pull_at);
  const unmeasured = reading == null && estimate.safe === "not_measured";
  const done = unmeasured ? "The inside should be done: measure it." : "The inside is done.";
  if (pull > 30) {
    const why = decides === "planned" ? "as you planned" : "for the outside";
    return [`${read}${done} Leave it in ${minutes(pull)} more ${why}.`];
  }
  return [`${read}${done} Take it out when the outside is as you want it.`];
}

function resting(estimate: Estimate, local: Local, units: Units): (string | null)[] {
  const { reading, peak_c, peak_band_c, peak_at, safe, safe_from } = estimate;
  const [low = peak_c, high = peak_c] = peak_band_c;
  const read = reading ? `Core ${temperature(reading.core_c, units)}. ` : "";
  const rises =
    `In the rest it reaches about ${temperature(peak_c, units)} ` +
    `(${temperature(low, units)} to ${temperature(high, units)}) at ${clock(new Date(local(peak_at)))}.`;
  const safety = {
    no_minimum: null,
    waived: "Below the safe minimum, as you planned it.",
    measured: "Measured: it may be served.",
    holding: safe_from
      ? `It may be served from ${clock(new Date(local(safe_from)))}, if it stays as hot.`
      : null,
    contradicted:
      "That is hotter than it can be by now. Measure another piece, or another place away from bone, before you serve it.",
    not_measured: "Measure it before you serve it.",
    short: "Below the safe minimum: do not serve it like this.",
  }[safe];
  return [safety, read + rises];
}

const moved = ({ course }: Cook): string | null => {
  const by = course?.moved_s ?? 0;
  if (Math.abs(by) < 30) return null;
  return `That makes it ${minutes(Math.abs(by))} ${by > 0 ? "later" : "sooner"}.`;
};

/** Where eight cooks in ten end. */
function band(ends: string[] | null | undefined, left: (time: string) => number): string {
  const [early, late] = ends ?? [];
  if (!early || !late) return "";
  const [from, to] = [Math.floor(left(early) / 60), Math.ceil(left(late) / 60)];
  return to - from > 1 ? ` (${Math.max(0, from)} to ${to})` : "";
}

function Doubts({ estimate }: { estimate: Estimate }) {
  const last = estimate.doubted.find((doubt) => doubt.event === estimate.reading?.event);
  if (!last) {
    return estimate.doubted.length > 0 ? (
      <Text color="ink.say">One reading does not fit the others; it does not count.</Text>
    ) : null;
  }
  return (
    <Caution>
      {last.high
        ? "This reading is too hot to be the middle by now, so it does not count: the tip may touch bone, fat or the basket. Measure another piece, or another place in the thickest part."
        : "This reading is colder than the others. It may be the coldest piece: leave it in until you have measured it again."}
    </Caution>
  );
}

const NOTICED = {
  slipped_out: "it reads like the air: it slipped out. Put it back into the middle.",
  not_the_core: "it jumped: the tip may touch bone or fat. Move it to the middle.",
  silent: "nothing came for a while. Is it switched on, and near enough?",
  other_unit:
    "what it sends fits the other unit, so it does not count. Set it to the unit that it sends in: °C or °F.",
} as const;

function Probes({ probes, units }: { probes: Probe[]; units: Units }) {
  const played = probes.some((probe) => probe.practice) ? (
    <Caution key="practice">
      A practice thermometer is played here. What it says is not your meat: measure that yourself
      before you serve it.
    </Caution>
  ) : null;
  const told = probes.map(({ thermometer, channel, piece, kind, latest_c, noticed }) =>
    noticed ? (
      <Caution key={`${thermometer}${channel}`}>
        Probe {channel}
        {piece ? ` (${piece})` : ""}: {NOTICED[noticed]}
      </Caution>
    ) : (
      <Text key={`${thermometer}${channel}`} color="ink.say">
        Probe {channel}
        {piece ? ` (${piece})` : ""}: {kind === "air" ? "air " : ""}
        {temperature(latest_c, units)}
      </Text>
    ),
  );
  return [played, ...told];
}

export function BelowFloor({ cook, units }: { cook: Cook; units: Units }) {
  const { floor, core_target_c } = cook.plan;
  return (
    <Box mt="2">
      <Caution>
        Planned to {temperature(core_target_c, units)}, below the safe minimum of{" "}
        {temperature(floor.core_c ?? 0, units)} ({floor.authority}).
      </Caution>
    </Box>
  );
}
