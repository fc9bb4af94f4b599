// Read a recipe: typed, pasted, a label's rule or a page. What it does there, what it does here.
import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { failed } from "../../api/client";
import { readCookingQuery } from "../../api/queries";
import type { Catalogue, RecipeReading, Request } from "../../api/types";
import { FileButton } from "../../components/FileButton";
import { Caution } from "../../components/Notice";
import { ActionLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { planOf } from "../../domain/address";
import { render } from "../../domain/message";
import { entryOf } from "../../domain/request";
import { useDraft } from "../../lib/draft";
import { useSettled } from "../../lib/hooks";
import { capital } from "../../lib/text";
import { mass, minutes, setting, temperature, type Units } from "../../lib/units";
import { isPage, shortened } from "./page";

interface ReadRecipeProps {
  catalogue: Catalogue;
  request: Request;
  units: Units;
}

const EXAMPLE = "400 °F 20 min, turn half-way, in an oven-style machine, for 2 lb drumsticks";
/** An invented one, as the keeper's neighbour wrote it down. */
const PAGE =
  "Harbour legs. 8 drumsticks, 115 g each, in the tabletop oven on a rack: 400 °F for 25 minutes, turn them half-way.";
/** Files that may hold a recipe. */
const FILES = ".html,.htm,.json,.jsonld,.txt,.md,text/html,text/plain,application/ld+json";
/** The text is read after this pause, ms. */
const REST = 350;

export function ReadRecipe({ catalogue, request, units }: ReadRecipeProps) {
  const [text, setText] = useDraft(
    "bench recipe",
    "",
    (value): value is string => typeof value === "string",
  );
  const settled = useSettled(text, REST);
  const read = useQuery({ ...readCookingQuery(settled, request), enabled: settled.trim() !== "" });
  // Of a page its words are left, to be corrected.
  const words = read.isPlaceholderData ? undefined : read.data?.text;
  useEffect(() => {
    if (words !== undefined && text === settled && isPage(text) && !isPage(words)) setText(words);
  }, [words, text, settled, setText]);
  return (
    <Box as="section" aria-label="Read a recipe" borderTop="1px solid" borderColor="line" py="4">
      <Text as="h2" textStyle="line" fontWeight="650">
        Read a recipe
      </Text>
      <Text textStyle="small" color="ink.soft" mb="2">
        As it is printed or told, a label's rule (“20 min for each 450 g and 20 more”), or a page
        with a recipe in it, pasted or as a file. Part of it is enough.
      </Text>
      <Textarea
        aria-label="The recipe"
        value={text}
        rows={3}
        maxW="reading"
        placeholder={EXAMPLE}
        onChange={(event) => setText(shortened(event.target.value))}
      />
      <Flex columnGap="4" wrap="wrap">
        <FileButton
          label="File with a recipe"
          accept={FILES}
          small
          onFile={(file) => void file.text().then((page) => setText(shortened(page)))}
        >
          Choose a file
        </FileButton>
        {text === "" ? (
          <Action type="button" look="plain" textStyle="small" px="0" onClick={() => setText(PAGE)}>
            Try a recipe from a neighbour's notebook
          </Action>
        ) : null}
      </Flex>
      {settled.trim() === "" ? null : read.error ? (
        <Text role="alert" color="beet" textStyle="body" mt="2">
          {failed(read.error, units)}
        </Text>
      ) : read.data ? (
        <Answer
          read={read.data}
          catalogue={catalogue}
          machine={request.machine.name}
          units={units}
        />
      ) : null}
    </Box>
  );
}

const KINDS: Record<string, string> = {
  drawer: "a drawer",
  twin_drawers: "twin drawers",
  oven_style: "an oven-style machine",
  lidded_grill: "a lidded grill",
  fan_oven: "an oven with its fan on",
  still_oven: "an oven without fan",
};

/** "at 200 °C for 20 min", "at 120 °C, the last 20 min at 204 °C, 45 min in all". */
function dialWords(
  { programme }: Request,
  setting_c: number,
  time_s: number,
  units: Units,
): string {
  const dial = setting(setting_c, units);
  if (!programme) return `at ${dial} for ${minutes(time_s)}`;
  const stage = `${minutes(programme.stage_s)} at ${setting(programme.stage_setting_c, units)}`;
  return programme.kind === "hot_start"
    ? `the first ${stage}, then at ${dial}, ${minutes(time_s)} in all`
    : `at ${dial}, the last ${stage}, ${minutes(time_s)} in all`;
}

interface AnswerProps {
  read: RecipeReading;
  catalogue: Catalogue;
  machine: string;
  units: Units;
}

function Answer({ read, catalogue, machine, units }: AnswerProps) {
  const { written, own, refused } = read;
  const entry = entryOf(catalogue, written);
  const pieces = `${written.pieces} ${written.pieces === 1 ? entry?.name : entry?.plural}`;
  const turned = written.turn === "never" ? "not turned" : "turned half-way";
  const leads = ({ core_c, browning: [above, below] }: RecipeReading["there"]) =>
    `${temperature(core_c, units)} inside, ${above} above and ${below} below`;
  return (
    <Box role="status" mt="3" maxW="reading">
      <Text textStyle="body">
        <b>It says</b> {pieces} of {mass(written.piece_mass_g, units)}, in{" "}
        {KINDS[written.machine.kind] ?? written.machine.name},{" "}
        {dialWords(written, written.setting_c ?? 180, read.recipe_s, units)}, {turned}
        {written.sauce === "none" ? "" : ", sauced"}
        {written.start === "frozen" ? ", from frozen" : ""}
        {written.tempered_s ? `, after ${minutes(written.tempered_s)} on the counter` : ""}.
      </Text>
      {read.assumed.length > 0 ? (
        <Text textStyle="small" color="ink.soft">
          Not said: {read.assumed.map((one) => render(one, units)).join("; ")}.
        </Text>
      ) : null}
      <Text textStyle="body" mt="2">
        <b>There</b> that leads to {leads(read.there)}
        {read.safe_at_s == null ? "" : `; safe inside from ${minutes(read.safe_at_s)} on`}.
      </Text>
      {read.below_c == null ? null : (
        <Box mt="2">
          <Caution>
            The recipe ends below the safe minimum of {temperature(read.below_c, units)}: go on
            until the thermometer shows it.
          </Caution>
        </Box>
      )}
      {own ? (
        <>
          <Text textStyle="line" mt="3">
            <b>
              In {machine}:{" "}
              {dialWords(own.request, own.converted.setting_c, own.converted.time_s, units)}
            </b>
          </Text>
          <Text textStyle="body">
            {capital(leads(own.converted.here))}; the{" "}
            {own.converted.decides === "outside" ? "colour" : "inside"} is matched.
          </Text>
        </>
      ) : refused ? (
        <Text textStyle="line" mt="3">
          <b>Not in {machine}:</b> {render(refused, units)}.
        </Text>
      ) : null}
      {read.otherwise.length > 0 ? (
        <Text textStyle="small" color="ink.soft" mt="1">
          Had it been written for{" "}
          {read.otherwise
            .map(({ kind, time_s }) => `${KINDS[kind] ?? kind}, it would be ${minutes(time_s)}`)
            .join("; for ")}
          .
        </Text>
      ) : null}
      {read.worths.length > 0 ? (
        <Text textStyle="small" color="ink.soft" mt="1">
          What is not known is worth:{" "}
          {read.worths
            .map(({ message, worth_s }) => `${render(message, units)} ± ${minutes(worth_s)}`)
            .join("; ")}
          .
        </Text>
      ) : null}
      {own ? (
        <Box mt="3">
          <ActionLink to="/plan" {...planOf(own.request)} look="solid">
            Open as a plan
          </ActionLink>
        </Box>
      ) : null}
    </Box>
  );
}
