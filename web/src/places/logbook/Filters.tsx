// What the log is found by: what was cooked, in what, how, how it came out, when in the year.
import { Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { catalogueQuery, machinesQuery, offQuery } from "../../api/queries";
import { optionsOf, Pick, type PickOption } from "../../components/Pick";
import { FOUND, HOW, type LogFilter, SEASONS } from "./search";

interface List {
  of: keyof LogFilter;
  label: string;
  none: string;
  options: PickOption<string>[];
}

interface FiltersProps {
  chosen: LogFilter;
  onChoose: (filter: LogFilter) => void;
}

export function Filters({ chosen, onChoose }: FiltersProps) {
  const catalogue = useQuery(catalogueQuery());
  const machines = useQuery(machinesQuery());
  const cooked = useQuery(offQuery());
  // Only what was cooked, where that is known.
  const known = new Set((cooked.data ?? []).map(({ cut }) => cut));
  const cuts = (catalogue.data?.cuts ?? [])
    .filter(({ plural, cut }) => known.has(plural) || cut === chosen.cut)
    .map(({ cut, plural }) => ({ value: cut, text: plural }));
  const names = new Set([
    ...(machines.data?.items ?? []).map(({ machine }) => machine.name),
    ...(cooked.data ?? []).map(({ machine }) => machine),
  ]);
  const lists: List[] = [
    { of: "cut", label: "Cut", none: "every cut", options: cuts },
    {
      of: "machine",
      label: "Machine",
      none: "every machine",
      options: [...names].map((name) => ({ value: name, text: name })),
    },
    { of: "how", label: "Method", none: "any method", options: optionsOf(HOW) },
    { of: "found", label: "Outcome", none: "however it came out", options: optionsOf(FOUND) },
    { of: "season", label: "Season", none: "all year", options: optionsOf(SEASONS) },
  ];
  return (
    <Flex gap="2" wrap="wrap" mb="4" role="group" aria-label="Show only">
      {lists.map(({ of, ...list }) => (
        <Pick
          key={of}
          w={{ base: "calc(50% - 0.25rem)", md: "11rem" }}
          {...list}
          value={chosen[of]}
          onPick={(value: string | undefined) => onChoose({ ...chosen, [of]: value })}
        />
      ))}
    </Flex>
  );
}
