// What is cooked: found by any of its names, in groups, the last ones first.
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Catalogue, CutEntry, Request } from "../../api/types";
import { byArrows } from "../../components/byArrows";
import { Caution } from "../../components/Notice";
import { Action, Option } from "../../components/recipes";
import { Word } from "../../components/Word";
import { alsoCalled, findCuts } from "../../domain/cuts";
import { recentCuts, rememberCut } from "../../domain/recent";
import { Outline } from "./Outline";

interface CutWordProps {
  label: string;
  text: string;
  catalogue: Catalogue;
  chosen: Request["cut"] | null;
  onChoose: (cut: CutEntry) => void;
}

export function CutWord({ label, text, catalogue, chosen, onChoose }: CutWordProps) {
  return (
    <Word label={label} text={text}>
      {(close) => (
        <CutList
          catalogue={catalogue}
          chosen={chosen}
          onChoose={(cut) => {
            rememberCut(cut.cut);
            onChoose(cut);
            close();
          }}
        />
      )}
    </Word>
  );
}

type CutListProps = Pick<CutWordProps, "catalogue" | "chosen" | "onChoose">;

function CutList({ catalogue, chosen, onChoose }: CutListProps) {
  const [search, setSearch] = useState("");
  const { cuts, notYet } = findCuts(catalogue, search);
  const recent = recentCuts().flatMap((cut) => catalogue.cuts.find((one) => one.cut === cut) ?? []);
  const groups =
    search.trim() === ""
      ? [
          { words: "Recent", cuts: recent },
          ...catalogue.groups.map(({ group, words }) => ({
            words,
            cuts: catalogue.cuts.filter((cut) => cut.group === group),
          })),
        ].filter((group) => group.cuts.length > 0)
      : [{ words: "", cuts }];
  const option = (cut: CutEntry) => (
    <Option
      key={cut.cut}
      type="button"
      chosen={cut.cut === chosen}
      aria-pressed={cut.cut === chosen}
      display="flex"
      alignItems="center"
      gap="3"
      py="1.5"
      onClick={() => onChoose(cut)}
    >
      <Outline cut={cut} />
      <span>
        {cut.plural}
        <Also name={alsoCalled(cut, search)} />
      </span>
    </Option>
  );
  return (
    <Box onKeyDown={byArrows}>
      <Input
        data-first
        aria-label="Search"
        placeholder="rack, topside, mid-joint"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
        onKeyDown={(event) => {
          const [only] = cuts;
          if (event.key === "Enter" && search.trim() && only) onChoose(only);
        }}
        mb="2"
      />
      <Box maxH="60dvh" overflowY="auto">
        {groups.map(({ words, cuts: of }) => (
          <Box key={words} role="group" aria-label={words || "Found"} mb="1">
            {words ? (
              <Text textStyle="small" fontWeight="700" color="ink.soft" px="3" pt="1">
                {words}
              </Text>
            ) : null}
            {of.map(option)}
          </Box>
        ))}
        {notYet.map((one) => (
          <Flex key={one.reason} direction="column" align="start" py="2">
            <Caution>{one.reason}</Caution>
            <Nearest of={one.nearest} catalogue={catalogue} onChoose={onChoose} />
          </Flex>
        ))}
        {cuts.length === 0 && notYet.length === 0 ? (
          <Text textStyle="small" color="ink.soft" px="3" py="2">
            No cut is called “{search}”.
          </Text>
        ) : null}
      </Box>
    </Box>
  );
}

const Also = ({ name }: { name: string | undefined }) =>
  name ? (
    <Text as="span" color="ink.soft" fontWeight="400">
      {" "}
      · {name}
    </Text>
  ) : null;

interface NearestProps {
  of: Request["cut"] | null | undefined;
  catalogue: Catalogue;
  onChoose: (cut: CutEntry) => void;
}

function Nearest({ of, catalogue, onChoose }: NearestProps) {
  const cut = catalogue.cuts.find((one) => one.cut === of);
  if (!cut) return null;
  return (
    <Action type="button" look="plain" onClick={() => onChoose(cut)}>
      Plan {cut.plural}
    </Action>
  );
}
