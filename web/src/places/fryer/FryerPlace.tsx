// Cook now: the nearest thing of all that is going on large, the others small; else what could be started.

import { Box, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useSearch } from "@tanstack/react-router";
import { useEffect, useState } from "react";
import { cooksQuery, suppersQuery } from "../../api/queries";
import type { CookRow } from "../../api/types";
import { Empty, Trouble, Waiting } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { Coming } from "../../features/supper/Coming";
import { clock } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { usePageTitle } from "../../lib/title";
import { type Affair, useAffairs } from "./affairs";
import { NotStarted } from "./NotStarted";
import { Others } from "./Others";
import { SupperLine } from "./SupperLine";
import { SupperNext } from "./SupperNext";
import { SIDEWAYS } from "./sideways";
import { UnderWay } from "./UnderWay";

const TICK = 1000;

export function FryerPlace() {
  usePageTitle("Cook now");
  const running = useQuery(cooksQuery({ state: "running", per_page: 50 }));
  const planned = useQuery(cooksQuery({ state: "planned" }));
  const suppers = useQuery(suppersQuery());
  const now = useNow(TICK);
  const affairs = useAffairs(now);
  const asked = useSearch({ from: "/fryer" }).supper;
  const large = useLarge(affairs, asked, now);
  const failed = running.error ?? planned.error;
  if (failed && !(running.data && planned.data)) {
    return <Trouble onRetry={() => void running.refetch()}>{failed.message}</Trouble>;
  }
  // Nothing jumps away under a wet finger when the cooks and the suppers come.
  const coming = running.data && running.data.total > 0 && !large;
  if (!failed && (!running.data || !planned.data || suppers.isPending || coming)) {
    return <Waiting>Loading…</Waiting>;
  }
  if (!large) {
    return (
      <Box maxW="reading" pt="3">
        <Others affairs={affairs} now={now} />
        {planned.data?.total ? null : (
          <Empty title="Nothing is cooking">
            Here a cook is followed step by step, with its countdown and the thermometer.{" "}
            <PlaceLink to="/plan" textDecoration="underline" fontWeight="700">
              Make a plan
            </PlaceLink>{" "}
            and start it.
          </Empty>
        )}
        <List title="Ready to start" rows={planned.data?.items ?? []} />
        <Coming />
      </Box>
    );
  }
  const others = affairs.filter((affair) => affair !== large);
  const above = others.filter((affair) => affair.at <= now).slice(0, 1);
  return (
    <Box maxW="reading" mx="auto" pt="1" css={SIDEWAYS}>
      <Others affairs={above} now={now} />
      {large.of.kind === "cook" ? (
        <>
          {large.of.supper ? <SupperLine kept={large.of.supper} now={now} /> : null}
          <UnderWay key={large.key} cook={large.of.cook} received={large.of.received} />
        </>
      ) : large.of.kind === "planned" ? (
        <NotStarted key={large.key} cook={large.of.cook} received={large.of.received} />
      ) : (
        <SupperNext key={large.key} kept={large.of.kept} />
      )}
      <Others affairs={others.filter((affair) => !above.includes(affair))} now={now} />
      <List title="Ready to start" rows={planned.data?.items ?? []} below />
      <Coming />
    </Box>
  );
}

/** So near to its time a finger may be on its way, ms. */
const HELD = 3 * 60_000;
/** A preparation that is this near is shown large, ms. */
const SOON = 60 * 60_000;

/** The cook or supper that is shown large: the chosen one, or the nearest. A step that is due or nearly due stays
 * until it is reported; a nearer one never takes its place under a finger. */
function useLarge(affairs: Affair[], asked: string | undefined, now: number): Affair | undefined {
  const [shown, setShown] = useState<{ of: string; due: string; asked?: string }>();
  const wanted = asked === shown?.asked ? undefined : affairs.find((one) => one.key === asked);
  const same = affairs.find(
    (one) =>
      one.key === shown?.of &&
      one.due.key === shown.due &&
      (one.at < now + HELD || one.key === shown.asked),
  );
  // A step of a planned cook in some hours is shown below until it is near.
  const near = affairs.find((one) => one.of.kind !== "planned" || one.at < now + SOON);
  const large = wanted ?? same ?? near;
  const [of, due] = [large?.key, large?.due.key];
  useEffect(() => {
    if (of && due) setShown({ of, due, asked });
  }, [of, due, asked]);
  return large;
}

function List({ title, rows, below }: { title: string; rows: CookRow[]; below?: boolean }) {
  if (rows.length === 0) return null;
  return (
    <Box as="section" mb="8">
      <Text as={below ? "h2" : "h1"} textStyle="title" mb="3">
        {title}
      </Text>
      {rows.map((row) => (
        <PlaceLink
          key={row.id}
          to="/fryer/$id"
          params={{ id: row.id }}
          display="flex"
          justifyContent="space-between"
          gap="4"
          py="4"
          borderTop="1px solid"
          borderColor="line"
          textStyle="line"
          _hover={{ bg: "well" }}
        >
          <Text fontWeight="700">{row.name}</Text>
          <Text color="ink.soft" whiteSpace="nowrap">
            {row.started_at
              ? `since ${clock(new Date(row.started_at))}`
              : row.eat_at
                ? `for ${clock(new Date(row.eat_at))}`
                : "any time"}
          </Text>
        </PlaceLink>
      ))}
    </Box>
  );
}
