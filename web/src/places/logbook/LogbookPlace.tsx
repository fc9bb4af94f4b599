// The logbook: what was planned, what happened, how it came out.

import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useEffect, useEffectEvent, useRef, useState } from "react";
import { cooksQuery } from "../../api/queries";
import type { CookRow } from "../../api/types";
import { Empty, Trouble, Waiting } from "../../components/Notice";
import { Pager } from "../../components/Pager";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { planOf } from "../../domain/address";
import { useSettings } from "../../domain/settings";
import { useShortcut } from "../../domain/useShortcut";
import { DONENESS, outsideWords } from "../../features/course/OutcomeForm";
import { CookEntry, loadWords, targetWords } from "../../features/logbook/CookEntry";
import { HowFarOff } from "../../features/logbook/HowFarOff";
import { useDeleteCook } from "../../features/logbook/useDeleteCook";
import { UnreadableRows } from "../../features/unreadable/UnreadableRows";
import { day } from "../../lib/clock";
import { useSettled } from "../../lib/hooks";
import { usePageTitle } from "../../lib/title";
import type { Units } from "../../lib/units";
import { Filters } from "./Filters";

const PER_PAGE = 10;
const SETTLE = 200;

export function LogbookPlace() {
  usePageTitle("Logbook");
  const units = useSettings();
  const search = useRef<HTMLInputElement>(null);
  const { q: asked = "", page = 1, ...filter } = useSearch({ from: "/logbook" });
  const filtered = Object.values(filter).some((value) => value !== undefined);
  const navigate = useNavigate({ from: "/logbook" });
  const [typed, setTyped] = useState(asked);
  const q = useSettled(typed.trim().slice(0, 100), SETTLE);
  const setPage = (next: number, replace = false) =>
    void navigate({
      search: (before) => ({ ...before, page: next > 1 ? next : undefined }),
      replace,
    });
  const follow = useEffectEvent((words: string) => {
    if (words === asked) return;
    void navigate({
      search: (before) => ({ ...before, q: words || undefined, page: undefined }),
      replace: true,
    });
  });
  useEffect(() => follow(q), [q]);
  const cooks = useQuery(
    cooksQuery({
      state: "finished",
      page,
      per_page: PER_PAGE,
      ...filter,
      ...(asked ? { q: asked } : {}),
    }),
  );
  const deletion = useDeleteCook();
  // The last row of the last page was deleted: the page before is the last one now.
  const last = Math.max(1, Math.ceil((cooks.data?.total ?? 0) / PER_PAGE));
  const beyond = cooks.data !== undefined && !cooks.isPlaceholderData && page > last;
  const turnBack = useEffectEvent(() => setPage(last, true));
  useEffect(() => {
    if (beyond) turnBack();
  }, [beyond]);
  useShortcut("/", () => search.current?.focus(), { preventDefault: true });

  return (
    <Box pt="3">
      <Flex gap="4" align="center" wrap="wrap" mb="4">
        <Text as="h1" textStyle="title">
          Logbook
        </Text>
        <Input
          ref={search}
          type="search"
          aria-label="Search the logbook"
          placeholder="search: a name, a cut, a word of a note"
          maxW={{ base: "full", md: "search" }}
          ms="auto"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </Flex>
      <Filters
        chosen={filter}
        onChoose={(next) =>
          void navigate({ search: { ...next, q: asked || undefined }, replace: true })
        }
      />
      {asked || filtered || page > 1 ? null : <HowFarOff />}
      {deletion.notice}
      {cooks.error && !cooks.data ? (
        <Trouble onRetry={() => void cooks.refetch()}>{cooks.error.message}</Trouble>
      ) : cooks.data === undefined ? (
        <Waiting>Loading…</Waiting>
      ) : cooks.data.total === 0 ? (
        <Nothing
          searched={asked}
          filtered={filtered}
          onClear={() => {
            setTyped("");
            void navigate({ search: {}, replace: true });
          }}
        />
      ) : (
        <Box aria-busy={cooks.isPlaceholderData}>
          {cooks.data.items.map((row) => (
            <Row key={row.id} row={row} units={units} onDelete={() => deletion.remove(row)} />
          ))}
          <UnreadableRows
            kind="cooks"
            rows={cooks.data.unreadable}
            onGone={() => void cooks.refetch()}
          />
          <Pager page={page} total={cooks.data.total} perPage={PER_PAGE} onPage={setPage} />
        </Box>
      )}
    </Box>
  );
}

interface NothingProps {
  searched: string;
  filtered: boolean;
  onClear: () => void;
}

function Nothing({ searched, filtered, onClear }: NothingProps) {
  if (searched || filtered) {
    return (
      <Empty title={searched ? `Nothing about “${searched}”` : "No such cook"}>
        {searched ? "Names, cuts and notes are searched. " : ""}
        <Action type="button" look="plain" onClick={onClear}>
          Show all
        </Action>
      </Empty>
    );
  }
  return (
    <Empty title="Nothing cooked yet">
      Every finished cook comes here: what was planned, what the thermometer said, how it came out.{" "}
      <PlaceLink to="/plan" textDecoration="underline" fontWeight="700">
        Plan the first one
      </PlaceLink>
      .
    </Empty>
  );
}

interface RowProps {
  row: CookRow;
  units: Units;
  onDelete: () => void;
}

function Row({ row, units, onDelete }: RowProps) {
  const { outcome } = row;
  return (
    <CookEntry row={row} units={units}>
      <Text textStyle="small" color="ink.soft">
        {row.started_at ? day(new Date(row.started_at), new Date()) : ""}
      </Text>
      <PlaceLink
        to="/logbook/$id"
        params={{ id: row.id }}
        textStyle="line"
        fontWeight="700"
        _hover={{ textDecoration: "underline" }}
      >
        {row.name}
      </PlaceLink>
      <Text textStyle="small" color="ink.soft">
        {loadWords(row, units)}, to {targetWords(row, units)}
        {row.below_floor ? (
          <Text as="span" color="beet" fontWeight="700">
            {" "}
            · below the safe minimum
          </Text>
        ) : null}
      </Text>
      {outcome ? (
        <Text textStyle="body" mt="1">
          <b>
            {outsideWords(outcome)} outside, {DONENESS[outcome.doneness - 1]} inside.
          </b>{" "}
          {outcome.note}
          {outcome.by ? ` Cooked by ${outcome.by}.` : ""}
        </Text>
      ) : null}
      <Flex gap="2" mt="1" ms="-2">
        <RepeatLink row={row} />
        <Action
          type="button"
          look="plain"
          textStyle="small"
          onClick={onDelete}
          aria-label={`Delete ${row.name}`}
        >
          Delete
        </Action>
      </Flex>
    </CookEntry>
  );
}

function RepeatLink({ row }: { row: CookRow }) {
  return (
    <PlaceLink
      to="/plan"
      {...planOf(row.request)}
      textStyle="small"
      px="2"
      minH="11"
      display="inline-flex"
      alignItems="center"
      fontFamily="heading"
      fontWeight="600"
      textDecoration="underline"
      textUnderlineOffset="3px"
      aria-label={`Repeat ${row.name} as a new plan`}
    >
      Repeat
    </PlaceLink>
  );
}
