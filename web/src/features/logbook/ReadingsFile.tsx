// Readings out of a file that another program wrote: looked at before anything is kept.
import { Box, Flex, Input, Table, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { failed } from "../../api/client";
import {
  cookQuery,
  keepReadings,
  learnedQuery,
  type ReadingsChoice,
  readingsQuery,
} from "../../api/queries";
import type { ReadingsPreview } from "../../api/types";
import { FileButton } from "../../components/FileButton";
import { Trouble } from "../../components/Notice";
import { optionsOf, Pick, type PickOption } from "../../components/Pick";
import { Action } from "../../components/recipes";
import { count } from "../../lib/text";
import { minutes, temperature, type Units } from "../../lib/units";

interface ReadingsFileProps {
  cook: string;
  units: Units;
}

export function ReadingsFile({ cook, units }: ReadingsFileProps) {
  const [file, setFile] = useState<File | null>(null);
  const [choice, setChoice] = useState<ReadingsChoice>({});
  const [added, setAdded] = useState<number | null>(null);
  const queries = useQueryClient();
  const preview = useQuery(readingsQuery(cook, file, choice));
  const keep = useMutation({
    mutationFn: (chosen: File) => keepReadings(cook, chosen, choice),
    onSuccess: ({ taken }) => {
      setAdded(taken.length);
      setFile(null);
      void queries.invalidateQueries({ queryKey: cookQuery(cook).queryKey });
      void queries.invalidateQueries({ queryKey: learnedQuery().queryKey });
    },
  });
  const begin = (chosen: File) => {
    setFile(chosen);
    setChoice({});
    setAdded(null);
    keep.reset();
  };
  const error = preview.error ?? keep.error;
  return (
    <Box mt="3">
      <FileButton
        label="File with readings"
        accept=".csv,.txt,.tsv,.json,text/*,application/json"
        onFile={begin}
      >
        Add readings from a file
      </FileButton>
      {added === null ? null : (
        <Text role="status" textStyle="body">
          {count(added, "reading")} added.
        </Text>
      )}
      {file && preview.data ? (
        <Box
          as="section"
          aria-label="Readings in the file"
          borderTop="1px solid"
          borderColor="line"
          pt="3"
          mt="2"
        >
          <Columns preview={preview.data} choice={choice} onChoice={setChoice} />
          <Found preview={preview.data} units={units} />
          <Flex gap="3" mt="3" wrap="wrap">
            <Action
              type="button"
              look="solid"
              disabled={keep.isPending || !ready(preview.data)}
              onClick={() => keep.mutate(file)}
            >
              Add {count(preview.data.taken.length, "reading")}
            </Action>
            <Action type="button" look="plain" onClick={() => setFile(null)}>
              Cancel
            </Action>
          </Flex>
        </Box>
      ) : null}
      {file && error ? <Trouble>{failed(error, units)}</Trouble> : null}
    </Box>
  );
}

const ready = ({ taken, wrong }: ReadingsPreview) => taken.length > 0 && wrong.length === 0;

const CLOCKS = {
  minutes: "minutes, from its beginning",
  seconds: "seconds, from its beginning",
  elapsed: "h:mm:ss, from its beginning",
  time_of_day: "the time of day",
  date_time: "date and time",
} as const;
const FROM_ITS_BEGINNING = ["minutes", "seconds", "elapsed"];
const SCALES = { celsius: "°C", fahrenheit: "°F" } as const;

interface ColumnsProps {
  preview: ReadingsPreview;
  choice: ReadingsChoice;
  onChoice: (choice: ReadingsChoice) => void;
}

function Columns({ preview, choice, onChoice }: ColumnsProps) {
  const columns = preview.columns.map(({ name, example }, n) => ({
    value: String(n),
    text: example ? `${name}: ${example}` : name,
  }));
  const column = (value: string | undefined) => (value === undefined ? undefined : Number(value));
  const place = (column: number | null | undefined) =>
    column == null ? undefined : String(column);
  return (
    <Flex gap="4" wrap="wrap">
      <Asked
        label="Time"
        value={place(preview.time)}
        options={columns}
        onPick={(value) => onChoice({ ...choice, time: column(value) })}
      />
      <Asked
        label="Told as"
        value={preview.clock ?? undefined}
        options={optionsOf(CLOCKS)}
        onPick={(clock) => onChoice({ ...choice, clock })}
      />
      {preview.clock && FROM_ITS_BEGINNING.includes(preview.clock) ? (
        <Box>
          <Text as="label" textStyle="small" display="block" {...{ htmlFor: "file-begins" }}>
            Begins, min after loading
          </Text>
          <Input
            id="file-begins"
            size="sm"
            type="number"
            w="8rem"
            value={Math.round((choice.begins_s ?? 0) / 60)}
            onChange={({ target }) =>
              onChoice({ ...choice, begins_s: 60 * (Number(target.value) || 0) })
            }
          />
        </Box>
      ) : null}
      <Asked
        label="Core"
        value={place(preview.core)}
        options={columns}
        onPick={(value) => onChoice({ ...choice, core: column(value) })}
      />
      <Asked
        label="Air, if it has it"
        value={place(preview.air)}
        options={columns}
        onPick={(value) => onChoice({ ...choice, air: column(value) })}
      />
      <Asked
        label="Unit"
        value={preview.unit ?? undefined}
        options={optionsOf(SCALES)}
        onPick={(unit) => onChoice({ ...choice, unit })}
      />
    </Flex>
  );
}

interface AskedProps<T extends string> {
  label: string;
  value: T | undefined;
  options: PickOption<T>[];
  onPick: (value: T | undefined) => void;
}

function Asked<T extends string>({ label, value, options, onPick }: AskedProps<T>) {
  return (
    <Box>
      <Text as="label" textStyle="small" display="block" {...{ htmlFor: `file-${label}` }}>
        {label}
      </Text>
      <Pick
        w="15rem"
        named={`file-${label}`}
        value={value}
        none="choose …"
        options={options}
        onPick={onPick}
      />
    </Box>
  );
}

/** Readings that are shown before they are kept. */
const SHOWN = 6;

function Found({ preview, units }: { preview: ReadingsPreview; units: Units }) {
  const { lines, empty, outside, taken, wrong, more_wrong, clock, unit } = preview;
  if (clock == null || unit == null || preview.time == null || preview.core == null) {
    return (
      <Text role="status" textStyle="body" mt="3">
        Say what is still open above: the file does not tell.
      </Text>
    );
  }
  const parts = [
    `${count(lines, "line")}, one reading every 2 min at most: ${taken.length}`,
    empty > 0 ? `${empty} without a value` : "",
    outside > 0 ? `${outside} from before the loading or long after` : "",
  ];
  return (
    <Box mt="3" role="status">
      <Text textStyle="body">{parts.filter((part) => part !== "").join("; ")}.</Text>
      {wrong.length > 0 ? (
        <Box color="beet" textStyle="body" mt="2">
          <Text>Correct these lines, or choose another column; nothing is added before.</Text>
          <Box as="ul" ps="4" listStyleType="disc">
            {wrong.map(({ line, message }) => (
              <li key={line}>
                Line {line}: {message}
              </li>
            ))}
            {more_wrong > 0 ? <li>and {more_wrong} more</li> : null}
          </Box>
        </Box>
      ) : null}
      {taken.length > 0 ? (
        <Table.Root size="sm" variant="line" mt="2" maxW="24rem">
          <Table.Header>
            <Table.Row bg="paper">
              <Table.ColumnHeader>after loading</Table.ColumnHeader>
              <Table.ColumnHeader>core</Table.ColumnHeader>
              <Table.ColumnHeader>air</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {taken.slice(0, SHOWN).map(({ at_s, core_c, air_c }) => (
              <Table.Row key={at_s} bg="paper">
                <Table.Cell>{minutes(at_s)}</Table.Cell>
                <Table.Cell>{temperature(core_c, units)}</Table.Cell>
                <Table.Cell>{air_c == null ? "" : temperature(air_c, units)}</Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      ) : null}
    </Box>
  );
}
