// The end of an exercise: what it was inside, what was hidden, what each decision cost, how the advice would have gone.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { revealQuery } from "../../api/queries";
import type { Played, Reveal, ServedLot } from "../../api/types";
import { Caution, Trouble, Waiting } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { render } from "../../domain/message";
import { capital } from "../../lib/text";
import {
  difference,
  length,
  minutes,
  share,
  temperature,
  type Units,
  wholeMinutes,
} from "../../lib/units";
import { costs, type Game, movesOf, onTheClock, PLACES } from "./game";
import { Strip } from "./Strip";

interface PracticeRevealProps {
  game: Game;
  played: Played | undefined;
  names: string[];
  units: Units;
  onAgain: () => void;
  onOther: () => void;
}

export function PracticeReveal({
  game,
  played,
  names,
  units,
  onAgain,
  onOther,
}: PracticeRevealProps) {
  const shown = useQuery(revealQuery(movesOf(game)));
  if (shown.isError && !shown.data) {
    return <Trouble onRetry={() => void shown.refetch()}>{shown.error.message}</Trouble>;
  }
  if (!shown.data) return <Waiting>Calculating…</Waiting>;
  const { advised, advised_s, costs: dear, least_c, played: own, played_s } = shown.data;
  const lots = [...own, ...advised];
  const ends = (lot: ServedLot) => lot.loaded_at_s / 60 + (lot.picture.minutes.at(-1) ?? 0);
  const to = Math.max(1, ...lots.map(ends));
  const raw = own.filter(({ peak_c }) => least_c != null && peak_c < least_c - 0.5);
  return (
    <Box mt="4" role="status">
      <Text textStyle="line" fontWeight="650">
        As you cooked it: served after {wholeMinutes(played_s)}
      </Text>
      {raw.map(({ name }) => (
        <Box key={name} my="2" maxW="reading">
          <Caution>
            {capital(name)} did not reach the safe minimum of {temperature(least_c ?? 0, units)}: in
            a kitchen it goes back in.
          </Caution>
        </Box>
      ))}
      {own.map((lot) => (
        <Box key={lot.name} mt="2">
          <Strip {...strip(lot, to)} says={came(lot, shown.data.target_c, units)} />
        </Box>
      ))}
      <Readings shown={shown.data} game={game} played={played} names={names} units={units} />
      <Text textStyle="body" mt="3" maxW="reading">
        <b>Hidden was:</b> {hidden(shown.data, names, units)}.
      </Text>
      {dear.length > 0 ? (
        <>
          <Text textStyle="line" fontWeight="650" mt="4">
            What each decision cost
          </Text>
          <Box as="ol" maxW="reading" aria-label="What each decision cost">
            {dear.map((cost) => (
              <Text as="li" key={cost.message.text} textStyle="body" py="1">
                <b>{render(cost.message, units)}:</b>{" "}
                {costs(cost, (kelvins) => difference(kelvins, units))}.
              </Text>
            ))}
          </Box>
        </>
      ) : (
        <Text textStyle="body" mt="3">
          No decision cost anything worth telling.
        </Text>
      )}
      <Text textStyle="line" fontWeight="650" mt="4">
        As the advice would have gone: served after {wholeMinutes(advised_s)}
      </Text>
      {advised.map((lot) => (
        <Box key={lot.name} mt="2">
          <Strip {...strip(lot, to)} says={came(lot, shown.data.target_c, units)} />
        </Box>
      ))}
      <Flex gap="3" mt="5" wrap="wrap">
        <Action type="button" look="solid" onClick={onAgain}>
          Again with another piece
        </Action>
        <Action type="button" onClick={onOther}>
          Other exercises
        </Action>
      </Flex>
    </Box>
  );
}

const strip = (lot: ServedLot, to: number) => ({
  title: capital(lot.name),
  picture: lot.picture,
  mark: lot.out_at_s == null ? undefined : (lot.out_at_s - lot.loaded_at_s) / 60,
  from: lot.loaded_at_s / 60,
  to,
});

/** "Out after 23 min at 74 °C, at the most 79 °C (wanted 77 °C), golden above and blond below, 14 % lost" */
function came(lot: ServedLot, target: number, units: Units): string {
  const [above, below] = lot.faces;
  const out = (lot.out_at_s ?? 0) - lot.loaded_at_s;
  return `Out after ${minutes(out)} at ${temperature(lot.core_c, units)}, at the most ${temperature(lot.peak_c, units)} (wanted: ${temperature(target, units)}); ${above} above, ${below} below; ${share(lot.water_lost)} of the weight lost to the air`;
}

interface ReadingsProps {
  shown: Reveal;
  game: Game;
  played: Played | undefined;
  names: string[];
  units: Units;
}

/** What the thermometer showed against the coldest spot. */
function Readings({ shown, game, played, names, units }: ReadingsProps) {
  const read = game.moves.flatMap(({ at_s, what }, n) => {
    const seen = played?.seen[n];
    const really = shown.really_c[n];
    if (what.kind !== "read" || seen?.kind !== "reading" || really == null) return [];
    const lot = names.length > 1 ? `${names[what.lot]}, ` : "";
    return [
      `${onTheClock(at_s)} ${lot}${PLACES[what.place]}: ${temperature(seen.core_c, units)}, and the coldest spot had ${temperature(really, units)}`,
    ];
  });
  if (read.length === 0) return null;
  return (
    <Text textStyle="small" color="ink.soft" mt="2" maxW="reading">
      {read.join("; ")}.
    </Text>
  );
}

function hidden({ hidden: truth }: Reveal, names: string[], units: Units): string {
  const { thickness_mm, start_c, hotter_k, harder } = truth;
  const thick = thickness_mm
    .map((mm, n) => `${names.length > 1 ? `${names[n]} ` : ""}${length(mm, units)} thick`)
    .join(", ");
  const dial =
    Math.abs(hotter_k) < 1
      ? "a dial that is accurate"
      : `a machine ${difference(Math.abs(hotter_k), units)} ${hotter_k > 0 ? "hotter" : "cooler"} than its dial`;
  const percent = Math.round(100 * (harder - 1));
  const fan =
    percent === 0
      ? ""
      : `, which blows ${Math.abs(percent)} % ${percent > 0 ? "harder" : "weaker"} than usual`;
  return `${thick}, at ${temperature(start_c, units)} when it went in; ${dial}${fan}`;
}
