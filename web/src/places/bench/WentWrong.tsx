// What went wrong: the symptoms, their causes, measurements that separate the causes, and changes.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { failed } from "../../api/client";
import { diagnosisQuery } from "../../api/queries";
import type { CookOutcome, Diagnosis, NextTime, Request, Symptom } from "../../api/types";
import { PlaceLink } from "../../components/PlaceLink";
import { planOf } from "../../domain/address";
import { render } from "../../domain/message";
import { useDraft } from "../../lib/draft";
import { capital } from "../../lib/text";
import { minutes, temperature, type Units } from "../../lib/units";

const SYMPTOMS: Record<Symptom, string> = {
  raw_inside: "raw inside, or at the bone",
  dry: "dry",
  pale: "pale",
  soggy_below: "soggy below",
  burnt_on_top: "burnt on top",
  smoke: "smoke",
  stuck: "stuck to the basket",
  uneven: "uneven",
  late: "late",
  spit_stood_still: "the spit stood still",
  coating_fell_off: "the coating fell off",
};
const ALL = Object.keys(SYMPTOMS) as Symptom[];

const isSymptoms = (value: unknown): value is Symptom[] =>
  Array.isArray(value) && value.every((one) => one in SYMPTOMS);

interface WentWrongProps {
  /** The cook of the log it is about; none for the last plan. */
  cook: string | null;
  request: Request;
  units: Units;
}

export function WentWrong({ cook, request, units }: WentWrongProps) {
  const [seen, setSeen] = useDraft<Symptom[]>("bench went wrong", [], isSymptoms);
  const found = useQuery({
    ...diagnosisQuery(cook, request, seen),
    enabled: seen.length > 0,
  });
  return (
    <Box as="section" aria-label="What went wrong" borderTop="1px solid" borderColor="line" py="4">
      <Text as="h2" textStyle="line" fontWeight="650">
        What went wrong
      </Text>
      <Text textStyle="small" color="ink.soft" mb="3" maxW="reading">
        Say what you saw; several things at once narrow it down. The cook is computed again with
        each cause that there may be{cook ? ", along what was told of it" : ""}.
      </Text>
      <Flex gap="2" wrap="wrap" role="group" aria-label="What you saw">
        {ALL.map((one) => {
          const on = seen.includes(one);
          return (
            <chakra.button
              key={one}
              type="button"
              aria-pressed={on}
              onClick={() => setSeen(on ? seen.filter((other) => other !== one) : [...seen, one])}
              textStyle="body"
              px="3.5"
              minH="11"
              borderRadius="field"
              cursor="pointer"
              border="2px solid"
              borderColor={on ? "ink" : "line"}
              fontWeight={on ? "650" : "400"}
              bg={on ? "well" : "transparent"}
            >
              {SYMPTOMS[one]}
            </chakra.button>
          );
        })}
      </Flex>
      {seen.length === 0 ? null : found.error ? (
        <Text role="alert" color="beet" textStyle="body" mt="3">
          {failed(found.error, units)}
        </Text>
      ) : found.data ? (
        <Answer found={found.data} units={units} logged={cook !== null} />
      ) : null}
    </Box>
  );
}

/** "out after 23 min at 79 °C, at the most 84 °C, golden above and brown below" */
const outcome = ({ out_at_s, core_c, peak_c, faces: [above, below] }: CookOutcome, units: Units) =>
  `out after ${minutes(out_at_s)} at ${temperature(core_c, units)}, at the most ${temperature(peak_c, units)} in the rest, ${above} above and ${below} below`;

interface AnswerProps {
  found: Diagnosis;
  units: Units;
  logged: boolean;
}

function Answer({ found, units, logged }: AnswerProps) {
  const { causes, expected, foreseen, otherwise, measure, practice } = found;
  return (
    <Box role="status" mt="4" maxW="reading">
      <Text textStyle="body" color="ink.soft">
        {logged ? "As it was cooked" : "As planned"}, it should have come {outcome(expected, units)}
        .
      </Text>
      {foreseen ? (
        <Text textStyle="line" fontWeight="650" mt="2">
          {logged
            ? "What happened on the way explains it."
            : "The plan itself leads there: nothing went wrong on the way."}
        </Text>
      ) : null}
      {otherwise ? <Next next={otherwise} units={units} /> : null}
      {causes.length > 0 ? (
        <Box as="ol" mt="3" aria-label="Causes, the likeliest first">
          {causes.map(({ cause, message, share, told, outcome: comes, next }, n) => (
            <Box
              as="li"
              key={cause}
              py="3"
              borderTop={n > 0 ? "1px solid" : undefined}
              borderColor="line"
            >
              <Text textStyle="line" fontWeight="650">
                {render(message, units)}
              </Text>
              <Text textStyle="small" color="ink.soft">
                {likely(share, told)}. With that it comes {outcome(comes, units)}.
              </Text>
              {next ? <Next next={next} units={units} /> : null}
            </Box>
          ))}
        </Box>
      ) : practice.length === 0 && !foreseen ? (
        <Text textStyle="body" mt="3">
          Nothing that was tried explains it. One core reading during the next cook would say more.
        </Text>
      ) : null}
      {measure ? (
        <Box borderStart="4px solid" borderColor="ember" ps="3" mt="3">
          <Text textStyle="body">
            <b>To tell them apart:</b> {lower(render(measure.message, units))}.
          </Text>
          {shows(measure, causes, units)}
        </Box>
      ) : null}
      {practice.length > 0 ? (
        <Box mt="4">
          <Text textStyle="small" color="ink.soft">
            Common practice, not computed:
          </Text>
          <Box as="ul" ps="4" listStyleType="disc">
            {practice.map(({ text, values }) => (
              <Text as="li" key={text} textStyle="body">
                {render({ text, values }, units)}
              </Text>
            ))}
          </Box>
        </Box>
      ) : null}
    </Box>
  );
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** How well a cause explains, in words. */
function likely(share: number, told: boolean): string {
  if (told) return "Told of this cook";
  if (share >= 0.5) return "Explains it best";
  if (share >= 0.2) return "Explains it well";
  return "Possible";
}

function Next({ next, units }: { next: NextTime; units: Units }) {
  const { message, request, outcome: comes } = next;
  return (
    <Text textStyle="body" mt="1">
      <b>Next time:</b> {lower(render(message, units))}, {temperature(comes.peak_c, units)} after
      the rest.{" "}
      <PlaceLink
        to="/plan"
        {...planOf(request)}
        textStyle="small"
        textDecoration="underline"
        textUnderlineOffset="3px"
      >
        Open as a plan
      </PlaceLink>
    </Text>
  );
}

/** What the measurement would show, each value once with its causes. */
function shows(
  measure: NonNullable<Diagnosis["measure"]>,
  causes: Diagnosis["causes"],
  units: Units,
) {
  const read = new Map<string, string[]>();
  for (const { cause, value } of measure.shows) {
    const told = causes.find((one) => one.cause === cause);
    if (!told) continue;
    const words = render({ text: "{}", values: [value] }, units);
    read.set(words, [...(read.get(words) ?? []), lower(render(told.message, units))]);
  }
  if (read.size < 2) return null;
  return [...read].map(([words, names]) => (
    <Text key={words} textStyle="small" color="ink.soft">
      {capital(words)}: {names.join("; or ")}.
    </Text>
  ));
}
