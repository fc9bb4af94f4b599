// What the log is found by: what was cooked, in what, how, how it came out, when in the year.
import { Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { catalogueQuery, machinesQuery, offQuery } from "../../api/queries";
import { optionsOf, Pick } from "../../components/Pick";
import { FOUND, HOW, type LogFilter, SEASONS } from "./search";

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
  const width = { base: "calc(50% - 0.25rem)", md: "11rem" };
  const pick = (name: keyof LogFilter) => (value: string | undefined) =>
    onChoose({ ...chosen, [name]: value });
  return (
    <Flex gap="2" wrap="wrap" mb="4" role="group" aria-label="Show only">
      <Pick
        w={width}
        none="every cut"
        label="Cut"
        value={chosen.cut}
        options={cuts}
        onPick={pick("cut")}
      />
      <Pick
        w={width}
        none="every machine"
        label="Machine"
        value={chosen.machine}
        options={[...names].map((name) => ({ value: name, text: name }))}
        onPick={pick("machine")}
      />
      <Pick
        w={width}
        none="any method"
        label="Method"
        value={chosen.how}
        options={optionsOf(HOW)}
        onPick={pick("how")}
      />
      <Pick
        w={width}
        none="however it came out"
        label="Outcome"
        value={chosen.found}
        options={optionsOf(FOUND)}
        onPick={pick("found")}
      />
      <Pick
        w={width}
        none="all year"
        label="Season"
        value={chosen.season}
        options={optionsOf(SEASONS)}
        onPick={pick("season")}
      />
    </Flex>
  );
}
