// How the pieces share the machine: batch by batch, level by level, with what it costs.
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Fragment, useState } from "react";
import { reader } from "../../api/reader";
import type { Loading, Plan, Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { inSections } from "../../domain/request";
import { saveFile } from "../../lib/save";
import { capital, count } from "../../lib/text";
import { length, lengths, MM_PER_INCH, mass, minutes, type Units } from "../../lib/units";
import { BasketMap } from "./BasketMap";
import { BatchesWord } from "./BatchesWord";
import { allPoses, basketSvg, type Pose, print, trayName } from "./drawing";
import { layerWords } from "./layer";
import { Meter } from "./Meter";
import { SideView } from "./SideView";
import { Spit } from "./Spit";
import { Tabs } from "./Tabs";
import { Tumbler } from "./Tumbler";

interface LoadingSectionProps {
  plan: Plan;
  loading: Loading;
  request: Request;
  units: Units;
  clockOf: (seconds: number) => string;
  onChange: (change: Partial<Request>) => void;
}

export function LoadingSection(props: LoadingSectionProps) {
  const { plan, loading, request, units, onChange } = props;
  return (
    <Box>
      <Text textStyle="body" mb="2">
        {capital(layerWords(plan))}
        {plan.batches.length > 1 ? "; the next goes into a hot machine" : ""}.
      </Text>
      {loading.spit ? (
        <Spit
          roast={loading.spit}
          machine={request.machine}
          units={units}
          tie={request.tie ?? "tight"}
          onTie={(tie) => onChange({ tie })}
        />
      ) : loading.tumbler ? (
        <Tumbler load={loading.tumbler} />
      ) : (
        <Trays {...props} />
      )}
      <Advice loading={loading} request={request} units={units} onChange={onChange} />
      <Other {...props} />
      {request.pieces > 1 && (plan.batches.length > 1 || request.split?.length) ? (
        <BatchesWord plan={plan} request={request} onChange={onChange} />
      ) : null}
      {plan.kept ? (
        <Text textStyle="body" mt="2">
          The first batch waits {minutes(plan.kept.wait_s)}.{" "}
          {HOT_HOLDING.filter(({ hot_holding }) => hot_holding !== plan.kept?.hot_holding).map(
            ({ hot_holding, words }, n) => (
              <Fragment key={hot_holding}>
                {n > 0 ? " or " : null}
                <Action type="button" look="inline" onClick={() => onChange({ hot_holding })}>
                  {words}
                </Action>
              </Fragment>
            ),
          )}
        </Text>
      ) : null}
    </Box>
  );
}

/** What can become of the first batch while the others cook. */
const HOT_HOLDING = [
  { hot_holding: "warm", words: "Keep it warm instead" },
  { hot_holding: "reheat", words: "Put it back for 2 min at the end instead" },
  { hot_holding: "oven", words: "Keep it in an oven instead" },
] as const;

const USUAL_GAP = 8;

/** What lies: a tab for each tray, from above and from the side. */
function Trays({ plan, loading, request, units, onChange }: LoadingSectionProps) {
  const trays = loading.loads.flatMap((load, batch) =>
    load.trays.map((tray) => ({ batch, load, tray, name: trayName(loading, batch, tray) })),
  );
  const [at, setAt] = useState(0);
  const [before, setBefore] = useState<(Pose[] | undefined)[]>([]);
  const [told, setTold] = useState("");
  const shown = trays[Math.min(at, trays.length - 1)];
  if (!shown) return null;
  const byHand = request.layout != null;
  const lay = (next: Pose[] | undefined, words: string) => {
    setBefore([...before, byHand ? allPoses(loading) : undefined]);
    setTold(words);
    onChange({ layout: next });
  };
  const title = `${count(shown.tray.pieces.length, "piece")} in ${request.machine.name}, ${shown.name}, ${shown.load.airiness}`;
  const drawing = () => basketSvg(loading, shown.tray, request.machine, title);
  return (
    <Box>
      <Tabs names={trays.map((tray) => tray.name)} at={trays.indexOf(shown)} onChoose={setAt}>
        <Grid templateColumns={{ base: "1fr", lg: "1fr 1fr" }} columnGap="9" rowGap="4">
          <BasketMap
            loading={loading}
            laid={request.layout}
            tray={shown.tray}
            name={shown.name}
            elsewhere={places(loading).filter(
              (place) => place.batch !== shown.batch + 1 || place.level !== shown.tray.level,
            )}
            machine={request.machine}
            units={units}
            onLay={lay}
          />
          <Box>
            <SideView
              machine={request.machine}
              units={units}
              loading={loading}
              load={shown.load}
              thickness={plan.thickness_mm}
            />
            <Meter
              loading={loading}
              airiness={shown.load.airiness}
              gap={shown.tray.gap_mm}
              units={units}
            />
            <Flex columnGap="3" mt="1" wrap="wrap" align="baseline" className="no-print">
              <Gap loading={loading} request={request} units={units} onChange={onChange} />
              <Rack loading={loading} request={request} units={units} onChange={onChange} />
            </Flex>
          </Box>
        </Grid>
      </Tabs>
      <Flex gap="1" mt="1" ms="-2" wrap="wrap" className="no-print">
        {byHand ? (
          <Action type="button" look="plain" onClick={() => lay(undefined, "Laid out anew.")}>
            Lay out for me
          </Action>
        ) : null}
        {before.length > 0 ? (
          <Action
            type="button"
            look="plain"
            onClick={() => {
              setTold("Undone.");
              onChange({ layout: before[before.length - 1] });
              setBefore(before.slice(0, -1));
            }}
          >
            Undo
          </Action>
        ) : null}
        <Action type="button" look="plain" onClick={() => print(drawing(), title)}>
          Print it
        </Action>
        <Action
          type="button"
          look="plain"
          onClick={() => saveFile(drawing(), "image/svg+xml", "basket.svg")}
        >
          Download the drawing
        </Action>
      </Flex>
      <Text srOnly role="status">
        {told ? `${told} ${shown.load.airiness}; ${minutes(loading.later_than_airy_s)} later.` : ""}
      </Text>
    </Box>
  );
}

/** Everywhere a piece could lie, a new batch included. */
function places(loading: Loading) {
  const batches = loading.loads.length + 1;
  return Array.from({ length: batches }, (_, batch) =>
    loading.levels.map((level, n) => ({
      name:
        (batch === loading.loads.length ? "another batch" : `batch ${batch + 1}`) +
        (loading.levels.length > 1 ? `, ${level.name}` : ""),
      batch: batch + 1,
      level: n + 1,
    })),
  ).flat();
}

type WordsProps = Omit<LoadingSectionProps, "plan" | "clockOf">;

function Gap({ request, units, onChange }: WordsProps) {
  const gap = request.gap_mm ?? USUAL_GAP;
  return (
    <Text as="span" textStyle="small">
      Leave{" "}
      <Word label="Gap" text={length(gap, units)}>
        {(close) => (
          <QuantityInput
            label="Gap"
            value={gap}
            show={(mm) => length(mm, units)}
            understand={reader("gap_mm", units)}
            range={[0, 30]}
            step={units.weight === "metric" ? 1 : MM_PER_INCH / 8}
            onChange={(gap_mm) => onChange({ gap_mm })}
            onDone={close}
          />
        )}
      </Word>{" "}
      around each.
    </Text>
  );
}

function Rack({ loading, request, units, onChange }: WordsProps) {
  const racks = request.machine.racks_mm ?? [];
  if (request.support !== "rack" || racks.length < 2) return null;
  const used = loading.levels[loading.levels.length - 1]?.name ?? "";
  return (
    <Text as="span" textStyle="small">
      Highest in use:{" "}
      <Word
        label="Highest rack in use"
        text={request.rack ? `rack ${request.rack}` : used}
        state={request.rack ? "told" : "guessed"}
        hint="the one that suits"
      >
        {(close) => (
          <Choice
            items={[
              { value: "0", text: "the one that suits" },
              ...racks.map((mm, n) => ({
                value: String(n + 1),
                text: `rack ${n + 1}`,
                reason: `${length(mm, units)} over the floor`,
              })),
            ]}
            chosen={String(request.rack ?? 0)}
            onChoose={(rack) => {
              onChange({ rack: Number(rack) || undefined });
              close();
            }}
          />
        )}
      </Word>
    </Text>
  );
}

/** Cut to fit, and why thin lies apart from thick. */
function Advice({ loading, request, units, onChange }: WordsProps) {
  const { division, apart } = loading;
  return (
    <>
      {apart ? (
        <Text textStyle="body" mt="2">
          Thin apart from thick: the lightest would be ready after {minutes(apart.lightest_s)}, the
          heaviest after {minutes(apart.heaviest_s)}.
        </Text>
      ) : null}
      {division ? (
        <Text textStyle="body" mt="2">
          Cut into {division.sections}
          {division.bones ? `, ${boneWords(division.bones)} each` : ""}, it lies in{" "}
          {division.loads === 1 ? "one batch" : `${division.loads} batches`}: about{" "}
          {mass(division.piece_mass_g, units)} and{" "}
          {lengths(division.length_mm, division.width_mm, units)} each.{" "}
          <Action
            type="button"
            look="inline"
            onClick={() => onChange(inSections(request, division))}
          >
            Cut it
          </Action>
        </Text>
      ) : null}
    </>
  );
}

export const boneWords = ([fewest, most]: number[]) =>
  fewest === most ? `${most} bones` : `${fewest} or ${most} bones`;

function Other({ plan, loading, clockOf, onChange }: LoadingSectionProps) {
  const { other } = loading;
  if (!other) return null;
  const one = other.load === "all_at_once";
  const paler =
    other.browning === loading.browning[0]
      ? other.browning
      : `${other.browning}, not ${loading.browning[0]}`;
  return (
    <Text textStyle="body" mt="2">
      {one ? "One batch" : `${other.batches} batches`}, {other.airiness}, would be ready about{" "}
      {clockOf(other.out_s + plan.rest_s)}, {paler}.{" "}
      <Action type="button" look="inline" onClick={() => onChange({ load: other.load })}>
        {one ? "Load all at once" : "Load with space between"}
      </Action>
    </Text>
  );
}
