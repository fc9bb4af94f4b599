// What the cooks in a machine say of it: in a line, as a picture, cook by cook; and what that changes.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { learnedEffectQuery, learnedQuery, leaveOut, startOver } from "../../api/queries";
import type { LearnedMachine } from "../../api/types";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { learnedWords } from "../../domain/learned";
import { day } from "../../lib/clock";
import { capital, count } from "../../lib/text";
import { difference, minutes, type Units } from "../../lib/units";
import { LearnedPicture, type LearnedPictureProps, type Row } from "./LearnedPicture";

interface OfMachineProps {
  learned: LearnedMachine;
  units: Units;
}

interface Picture extends Omit<LearnedPictureProps, "rows"> {
  of: "heat" | "offset" | "browning";
}

/** Greatest number of cooks in the picture. */
const DRAWN = 8;
/** Half of the scales: heat and browning as logarithms, the dial in kelvins. */
const HEAT = 0.3;
const OFFSET = 18;
const BROWNING = Math.LN2;
/** A change of so little is none, s. */
const NOTICED = 30;

export function OfMachine({ learned, units }: OfMachineProps) {
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const changed = {
    onSettled: () => void queries.invalidateQueries({ queryKey: learnedQuery().queryKey }),
  };
  const leave = useMutation({
    mutationFn: ({ cook, out }: { cook: string; out: boolean }) => leaveOut(cook, out),
    ...changed,
  });
  const over = useMutation({ mutationFn: () => startOver(learned.machine), ...changed });
  const degrees = (kelvins: number) => difference(kelvins, units);
  const counted = learned.cooks.filter((cook) => cook.counts);
  const rowsOf = (of: Picture["of"]): Row[] => {
    const [usual, now] = learned[of];
    if (!usual || !now) return [];
    const said = learned.cooks.flatMap((cook): Row[] => {
      const own = cook[of];
      return own ? [{ label: cook.name, ...own, faint: !cook.counts }] : [];
    });
    return [
      { label: "usual for its kind", ...usual },
      ...said.slice(0, DRAWN),
      { label: "now", ...now, now: true },
    ];
  };
  const effect = useQuery(learnedEffectQuery());
  const changes = effect.data?.machines
    .find(({ machine }) => machine === learned.machine)
    ?.changes.filter(({ before_s, after_s }) => Math.abs(after_s - before_s) >= NOTICED);
  const signed = (kelvins: number) =>
    kelvins === 0 ? "as its dial" : `${degrees(Math.abs(kelvins))} ${kelvins > 0 ? "hot" : "cold"}`;
  const percent = (log: number) => {
    const by = Math.round((Math.exp(log) - 1) * 100);
    return by === 0 ? "as its kind" : `${by > 0 ? "+" : "−"}${Math.abs(by)} %`;
  };
  const pictures: Picture[] = [
    { of: "offset", title: "Its air against its dial", reach: OFFSET, words: signed },
    { of: "heat", title: "The heat its fan carries", reach: HEAT, words: percent },
    // Only where a colour was reported.
    ...(learned.cooks.some(({ browning }) => browning)
      ? [
          {
            of: "browning" as const,
            title: "How fast faces brown in it",
            reach: BROWNING,
            words: percent,
          },
        ]
      : []),
  ];
  return (
    <Box mt="1">
      <Text textStyle="body">
        {counted.length > 0
          ? `${capital(learnedWords(learned.known, degrees))}.`
          : "Nothing of its cooks counts: plans take it as usual for its kind."}{" "}
        <Action type="button" look="inline" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Fold" : "How that is known"}
        </Action>
      </Text>
      {open ? (
        <Box mt="3" mb="2" maxW="66rem">
          {learned.is_another ? (
            <Text textStyle="small" mb="2">
              Its earlier cooks look like those of another machine, and do not count.
            </Text>
          ) : null}
          <Flex gap="8" wrap="wrap">
            {pictures.map(({ of, ...picture }) => (
              <Box key={of} flex="1" minW="16rem">
                <LearnedPicture {...picture} rows={rowsOf(of)} />
              </Box>
            ))}
          </Flex>
          <Text textStyle="small" color="ink.soft">
            Thin: what is usual, then each cook, the latest first. Thick: what plans count with.
            Eight in ten lie on a line.
          </Text>
          {changes ? (
            <Text textStyle="body" mt="2">
              {changes.length > 0
                ? `It changes: ${changes
                    .map(
                      ({ name, before_s, after_s }) =>
                        `${name} ${minutes(Math.abs(after_s - before_s))} ${after_s < before_s ? "sooner" : "later"}`,
                    )
                    .join(", ")}.`
                : "It changes what is cooked here by less than half a minute."}
            </Text>
          ) : null}
          <Box as="ul" listStyleType="none" mt="3">
            {learned.cooks.map((cook) => (
              <Flex
                as="li"
                key={cook.cook}
                gap="3"
                justify="space-between"
                align="baseline"
                borderTop="1px solid"
                borderColor="line"
                py="1.5"
                wrap="wrap"
              >
                <Text textStyle="small">
                  <PlaceLink
                    to="/logbook/$id"
                    params={{ id: cook.cook }}
                    textDecoration="underline"
                    textUnderlineOffset="3px"
                  >
                    {cook.name}
                  </PlaceLink>
                  , {day(new Date(cook.finished_at), new Date())}:{" "}
                  {cook.readings > 0
                    ? count(cook.readings, "reading")
                    : "no reading, only how it came out"}
                  {cook.browning ? ", its colour" : ""}
                  {cook.doubted > 0 ? `, ${cook.doubted} not believed` : ""}
                  {cook.left_out ? ", left out" : cook.counts ? "" : ", does not count"}
                </Text>
                <Action
                  type="button"
                  look="plain"
                  textStyle="small"
                  aria-label={`${cook.left_out ? "Count" : "Leave out"} ${cook.name}`}
                  onClick={() => leave.mutate({ cook: cook.cook, out: !cook.left_out })}
                >
                  {cook.left_out ? "Count it again" : "Leave out"}
                </Action>
              </Flex>
            ))}
          </Box>
          <Flex gap="3" mt="2" wrap="wrap">
            <Action type="button" look="plain" onClick={() => over.mutate()}>
              Start over: leave all of them out
            </Action>
          </Flex>
          <Text textStyle="small" color="ink.soft">
            Set by hand instead: “Change”, then how hot it is and how hard it blows. What is learned
            counts on top of that.
          </Text>
        </Box>
      ) : null}
    </Box>
  );
}
