// What the log is found by: what was cooked, in what, how it came out, when in the year.
import { Flex, NativeSelect } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { catalogueQuery, machinesQuery, offQuery } from "../../api/queries";
import type { LogFilter } from "./search";
import { FOUND, SEASONS } from "./search";

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
  const of = (words: Record<string, string>) =>
    Object.entries(words).map(([value, text]) => ({ value, text }));
  const pick = (name: keyof LogFilter) => (value: string) =>
    onChoose({ ...chosen, [name]: value || undefined });
  return (
    <Flex gap="2" wrap="wrap" mb="4" role="group" aria-label="Show only">
      <Pick all="every cut" label="Cut" value={chosen.cut} options={cuts} onPick={pick("cut")} />
      <Pick
        all="every machine"
        label="Machine"
        value={chosen.machine}
        options={[...names].map((name) => ({ value: name, text: name }))}
        onPick={pick("machine")}
      />
      <Pick
        all="however it came out"
        label="Outcome"
        value={chosen.found}
        options={of(FOUND)}
        onPick={pick("found")}
      />
      <Pick
        all="all year"
        label="Season"
        value={chosen.season}
        options={of(SEASONS)}
        onPick={pick("season")}
      />
    </Flex>
  );
}

interface PickProps {
  label: string;
  /** What stands there where nothing is chosen. */
  all: string;
  value: string | undefined;
  options: { value: string; text: string }[];
  onPick: (value: string) => void;
}

function Pick({ label, all, value, options, onPick }: PickProps) {
  return (
    <NativeSelect.Root size="sm" w={{ base: "calc(50% - 0.25rem)", md: "12rem" }}>
      <NativeSelect.Field
        aria-label={label}
        value={value ?? ""}
        onChange={({ target }) => onPick(target.value)}
      >
        <option value="">{all}</option>
        {options.map((one) => (
          <option key={one.value} value={one.value}>
            {one.text}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
