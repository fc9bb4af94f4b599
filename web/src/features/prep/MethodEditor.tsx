// A way of getting meat ready, written down by the cook: its tasks in order, and its seasonings.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ApiFailure } from "../../api/client";
import { changeMethod, keepMethod, methodsQuery } from "../../api/queries";
import { readTime } from "../../api/reader";
import type { Catalogue, CutEntry, KeptMethod, OwnMethod, OwnTask } from "../../api/types";
import { Choice } from "../../components/Choice";
import { NameWord } from "../../components/NameWord";
import { Trouble } from "../../components/Notice";
import { RowActions } from "../../components/RowActions";
import { Action } from "../../components/recipes";
import { TimeWord } from "../../components/TimeWord";
import { Word } from "../../components/Word";
import { Undecided, useMerging } from "../../domain/useMerging";
import { useIdentity } from "../../lib/hooks";
import { earlier, without } from "../../lib/lists";
import { hours } from "../../lib/units";
import { SurfaceWord } from "../sentence/SurfaceWord";
import { DOINGS, doing, doingOf, lasting } from "./method";
import { Seasonings } from "./Seasonings";

interface MethodEditorProps {
  method: OwnMethod;
  /** Which one of the kitchen's; nothing for a new one. */
  known: KeptMethod | null;
  catalogue: Catalogue;
  entry: CutEntry;
  onChange: (method: OwnMethod) => void;
  /** Kept, or left. */
  onDone: (kept: OwnMethod | null) => void;
}

const LONGEST = 72 * 3600;
/** The base of a new method; no other device changes it. */
const NEW = { revision: 0, document: {} as OwnMethod };
const NEW_TASK: OwnTask = {
  name: "Do something",
  place: "counter",
  shortest_s: 300,
  best_s: 300,
  longest_s: 300,
  hands_on_s: 300,
  reason: "",
};

export function MethodEditor({
  method,
  known,
  catalogue,
  entry,
  onChange,
  onDone,
}: MethodEditorProps) {
  const fresh = useIdentity(method);
  const queries = useQueryClient();
  const merging = useMerging(
    {
      seen: known ? { revision: known.revision, document: known.method } : NEW,
      editing: true,
      of: `method ${known?.id ?? "new"}`,
    },
    (revision, wanted: OwnMethod) =>
      known ? changeMethod({ id: known.id, revision }, wanted) : keepMethod(fresh, wanted),
    (current) => {
      const own = current as KeptMethod;
      return { revision: own.revision, document: own.method };
    },
    (decided) => {
      onChange(decided);
      keep.mutate(decided);
    },
  );
  const keep = useMutation({
    mutationFn: merging.save,
    onSuccess: async (kept) => {
      await queries.invalidateQueries({ queryKey: methodsQuery().queryKey });
      onDone(kept.method);
    },
  });
  const problem = keep.error instanceof ApiFailure ? keep.error.problem : null;
  const change = (part: Partial<OwnMethod>) => {
    keep.reset();
    onChange({ ...method, ...part });
  };
  const { tasks } = method;
  const put = (n: number, task: OwnTask) =>
    change({ tasks: tasks.map((known, m) => (m === n ? task : known)) });
  return (
    <Box as="section" aria-label="A way of your own" borderTop="2px solid" borderColor="ink" pt="3">
      <Text textStyle="line" color="ink.say">
        <NameWord
          label="Name of your way"
          name={method.name}
          most={80}
          wrong={problem?.field === "name"}
          onName={(name) => change({ name })}
        />
        , because{" "}
        <NameWord
          label="Reason"
          name={method.reason ?? ""}
          most={240}
          wrong={problem?.field === "reason"}
          onName={(reason) => change({ reason })}
        />
      </Text>
      <Box as="ol" listStyleType="none" mt="2">
        {tasks.map((task, n) => (
          <TaskLine
            key={n}
            task={task}
            number={n + 1}
            onChange={(next) => put(n, next)}
            onUp={n > 0 ? () => change({ tasks: earlier(tasks, n) }) : undefined}
            onRemove={() => change({ tasks: without(tasks, n) })}
          />
        ))}
      </Box>
      <Action type="button" look="plain" onClick={() => change({ tasks: [...tasks, NEW_TASK] })}>
        Another task
      </Action>
      <Text textStyle="line" color="ink.say" mt="1">
        On it go{" "}
        <Seasonings
          seasonings={method.seasonings}
          onChange={(seasonings) => change({ seasonings })}
        />
        ; when it goes in, it is{" "}
        <SurfaceWord
          catalogue={catalogue}
          entry={entry}
          surface={method.surface}
          wrong={problem?.field === "surface"}
          onChange={(surface) => change({ surface })}
        />
        .
      </Text>
      {merging.screen}
      {keep.error && !(keep.error instanceof Undecided) ? (
        <Box mt="2">
          <Trouble>{keep.error.message} Nothing you wrote is lost.</Trouble>
        </Box>
      ) : null}
      <Flex gap="2" mt="3" wrap="wrap">
        <Action
          type="button"
          look="solid"
          disabled={keep.isPending}
          onClick={() => keep.mutate(method)}
        >
          Save
        </Action>
        <Action type="button" look="plain" onClick={() => onDone(null)}>
          Cancel
        </Action>
      </Flex>
    </Box>
  );
}

interface TaskLineProps {
  task: OwnTask;
  number: number;
  onChange: (task: OwnTask) => void;
  onUp: (() => void) | undefined;
  onRemove: () => void;
}

/** A task: what, where, how long, and how far that may differ where it is only let be. */
function TaskLine({ task, number, onChange, onUp, onRemove }: TaskLineProps) {
  const kind = doingOf(task);
  const waits = task.does !== undefined && kind !== "blot";
  const [shortest, longest] = [task.shortest_s, task.longest_s];
  return (
    <Flex
      as="li"
      justify="space-between"
      align="baseline"
      wrap="wrap"
      columnGap="3"
      borderTop="1px solid"
      borderColor="line"
      pt="2"
      textStyle="body"
    >
      <Box>
        <NameWord
          label={`Task ${number}`}
          name={task.name}
          most={80}
          wrong={false}
          onName={(name) => onChange({ ...task, name })}
        />
        :{" "}
        <Word
          label={`What task ${number} is`}
          text={DOINGS.find((one) => one.value === kind)?.text ?? kind}
        >
          {(close) => (
            <Choice<string>
              items={DOINGS.map(({ value, text }) => ({ value, text }))}
              chosen={kind}
              onChoose={(chosen) => {
                const next = DOINGS.find((one) => one.value === chosen);
                if (next) onChange(lasting(doing(task, next.value), task.best_s));
                close();
              }}
            />
          )}
        </Word>
        , {waits ? "best " : ""}
        <TimeWord
          read={readTime}
          label={`Time of task ${number}`}
          seconds={task.best_s}
          range={[60, LONGEST]}
          onChange={(best_s) => onChange(lasting(task, best_s))}
        />
        {waits ? (
          <>
            , from{" "}
            <TimeWord
              read={readTime}
              label={`Task ${number} at least`}
              seconds={shortest}
              range={[60, task.best_s]}
              hint={`up to ${hours(task.best_s)}`}
              onChange={(shortest_s) => onChange({ ...task, shortest_s })}
            />{" "}
            to{" "}
            <TimeWord
              read={readTime}
              label={`Task ${number} at most`}
              seconds={longest}
              range={[task.best_s, LONGEST]}
              hint={`from ${hours(task.best_s)}`}
              onChange={(longest_s) => onChange({ ...task, longest_s })}
            />
          </>
        ) : null}
      </Box>
      <RowActions
        earlier={onUp && { label: `Task ${number} earlier`, onPress: onUp }}
        out={{ text: "Leave out", label: `Leave out task ${number}`, onPress: onRemove }}
      />
    </Flex>
  );
}
