// One exercise under way: its clock, what can be done now, what was done and seen.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useEffectEvent, useState } from "react";
import { planQuery, playedQuery } from "../../api/queries";
import type { Exercise, Move, Played } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { capital } from "../../lib/text";
import { length, mass, minutes, setting, temperature, type Units } from "../../lib/units";
import {
  begin,
  type Game,
  inside,
  make,
  movesOf,
  onTheClock,
  PLACES,
  told,
  WORDS,
  without,
} from "./game";
import { PracticeReveal } from "./PracticeReveal";

interface PracticeCookProps {
  exercise: Exercise;
  game: Game;
  onGame: (game: Game | null) => void;
  units: Units;
}

/** Seconds of the exercise in one, and between two looks at the clock, ms. */
const SPEED = 30;
const TICK = 200;

export function PracticeCook({ exercise, game, onGame, units }: PracticeCookProps) {
  const [runs, setRuns] = useState(false);
  const [refused, setRefused] = useState(false);
  const played = useQuery({ ...playedQuery(movesOf(game)), enabled: game.moves.length > 0 });
  const state = game.moves.length > 0 ? played.data : undefined;
  const served = state?.served_at_s != null && !played.isPlaceholderData;
  const busy = played.isFetching;
  const words = WORDS[exercise.exercise];
  const tick = useEffectEvent(() => {
    if (!document.hidden && !busy) onGame({ ...game, now: game.now + (SPEED * TICK) / 1000 });
  });
  useEffect(() => {
    if (!runs || served) return;
    const timer = setInterval(() => tick(), TICK);
    return () => clearInterval(timer);
  }, [runs, served]);
  // A refused move is removed again, with the reason.
  const settle = useEffectEvent((seen: Played["seen"]) => {
    const kept = without(game, seen);
    if (kept === game) return;
    setRefused(true);
    onGame(kept);
  });
  const answered = played.isPlaceholderData ? undefined : played.data;
  useEffect(() => {
    if (answered) settle(answered.seen);
  }, [answered]);
  const move = (what: Move) => {
    setRefused(false);
    onGame(make(game, what));
  };
  const lots = crowded(game) ? exercise.crowded : exercise.lots;
  const names = lots.map(({ name }) => name);
  return (
    <>
      <Flex align="baseline" gap="4" wrap="wrap">
        <Text as="h2" textStyle="line" fontWeight="650">
          {words.title}
        </Text>
        <Action type="button" look="plain" textStyle="small" onClick={() => onGame(null)}>
          Other exercises
        </Action>
      </Flex>
      <Text textStyle="body" maxW="reading">
        {words.task}
      </Text>
      <ToldOf exercise={exercise} units={units} />
      {served ? (
        <PracticeReveal
          game={game}
          played={state}
          names={names}
          units={units}
          onAgain={() => onGame(begin(game.exercise))}
          onOther={() => onGame(null)}
        />
      ) : (
        <>
          <Clock
            game={game}
            state={state}
            runs={runs}
            onRuns={setRuns}
            onLater={(seconds) => onGame({ ...game, now: game.now + seconds })}
          />
          <Flex gap="2" wrap="wrap" mt="3" role="group" aria-label="What you do now">
            <Moves exercise={exercise} state={state} names={names} busy={busy} onMove={move} />
          </Flex>
          {refused ? (
            <Text role="alert" textStyle="body" mt="2">
              That does not go now.
            </Text>
          ) : null}
          {played.error ? (
            <Trouble onRetry={() => void played.refetch()}>{played.error.message}</Trouble>
          ) : null}
          <Done game={game} state={state} names={names} units={units} />
        </>
      )}
    </>
  );
}

const crowded = ({ moves }: Game) =>
  moves.some(({ what }) => what.kind === "load" && !what.with_space);

/** The facts before the exercise, as from a label and a ruler. */
function ToldOf({ exercise, units }: { exercise: Exercise; units: Units }) {
  const first = exercise.lots[0]?.request;
  const plan = useQuery({ ...planQuery(first as never), enabled: first !== undefined });
  if (!first) return null;
  return (
    <Text textStyle="small" color="ink.soft" maxW="reading">
      Told:{" "}
      {exercise.lots
        .map(
          ({ name, request, thickness_mm }) =>
            `${name}, ${request.pieces} of ${mass(request.piece_mass_g, units)}, about ${length(thickness_mm, units)} thick`,
        )
        .join("; ")}
      ; from the fridge
      {plan.data ? `, at ${setting(plan.data.setting_c, units)}` : ""}. Wanted inside:{" "}
      {temperature(first.core_target_c, units)}.
    </Text>
  );
}

interface ClockProps {
  game: Game;
  state: Played | undefined;
  runs: boolean;
  onRuns: (runs: boolean) => void;
  onLater: (seconds: number) => void;
}

function Clock({ game, state, runs, onRuns, onLater }: ClockProps) {
  const lots = state?.lots ?? [];
  const since = lots.map(({ name, loaded_at_s, out_at_s }) =>
    out_at_s == null
      ? `${name} in for ${minutes(game.now - loaded_at_s)}`
      : `${name} out for ${minutes(game.now - out_at_s)}`,
  );
  return (
    <Flex align="center" gap="4" wrap="wrap" mt="4">
      <Text
        role="timer"
        aria-live="off"
        fontFamily="heading"
        fontWeight="700"
        fontSize="4xl"
        lineHeight="1"
        minW="6.5rem"
      >
        {onTheClock(game.now)}
      </Text>
      <Flex gap="2" wrap="wrap">
        <Action type="button" look="solid" onClick={() => onRuns(!runs)}>
          {runs ? "Stop the clock" : "Run the clock"}
        </Action>
        <Action type="button" onClick={() => onLater(60)}>
          1 min on
        </Action>
        <Action type="button" onClick={() => onLater(300)}>
          5 min on
        </Action>
      </Flex>
      <Text textStyle="body" color="ink.soft">
        {since.join("; ")}
      </Text>
    </Flex>
  );
}

interface MovesProps {
  exercise: Exercise;
  state: Played | undefined;
  names: string[];
  busy: boolean;
  onMove: (move: Move) => void;
}

function Moves({ exercise, state, names, busy, onMove }: MovesProps) {
  const within = inside(state);
  const loaded = state?.lots.length ?? 0;
  const of = state?.of ?? names.length;
  const button = (label: string, move: Move, zest = false) => (
    <Action
      key={label}
      type="button"
      look={zest ? "zest" : "quiet"}
      aria-disabled={busy}
      onClick={() => busy || onMove(move)}
    >
      {label}
    </Action>
  );
  const load = (preheated: boolean, with_space = true): Move => ({
    kind: "load",
    preheated,
    with_space,
  });
  if (loaded === 0) {
    return exercise.crowded.length > 0
      ? [
          button("Load half, with space between", load(false)),
          button("Preheat, then load half", load(true)),
          button("Load all at once", load(false, false)),
          button("Preheat, then load all at once", load(true, false)),
        ]
      : [button("Load", load(false)), button("Preheat, then load", load(true))];
  }
  if (within.length === 0) {
    return loaded < of
      ? [button(`Load ${names[loaded]}`, load(false), true)]
      : [button("Serve", { kind: "serve" }, true)];
  }
  const bone = exercise.exercise === "beside_the_bone";
  const places = bone ? (Object.keys(PLACES) as (keyof typeof PLACES)[]) : (["thickest"] as const);
  return [
    button("Turn", { kind: "turn" }),
    ...(exercise.sauce ? [button("Brush sauce on", { kind: "sauce" })] : []),
    button("Look at the colour", { kind: "look" }),
    ...within.flatMap((lot) =>
      places.map((place) =>
        button(
          bone ? `Read ${PLACES[place]}` : `Read ${within.length > 1 ? names[lot] : "the core"}`,
          { kind: "read", lot, place },
        ),
      ),
    ),
    ...within.map((lot) =>
      button(`Take ${within.length > 1 ? names[lot] : "it"} out`, { kind: "out", lot }),
    ),
  ];
}

interface DoneProps {
  game: Game;
  state: Played | undefined;
  names: string[];
  units: Units;
}

function Done({ game, state, names, units }: DoneProps) {
  if (game.moves.length === 0) return null;
  const lines = game.moves.map((made, n) => ({
    key: `${n} ${made.at_s}`,
    at: onTheClock(made.at_s),
    words: told(made, state?.seen[n], names, units),
  }));
  return (
    <Box mt="4">
      <Text textStyle="body" fontWeight="650" role="status">
        {capital(lines.at(-1)?.words ?? "")}
      </Text>
      <Box as="ol" textStyle="small" color="ink.soft" aria-label="What was done">
        {lines.toReversed().map(({ key, at, words }) => (
          <Box as="li" key={key}>
            {at} {words}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
