// At the fryer, before a cook is chosen: what is under way, and what could be started.
import { Box, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { cooksQuery, suppersQuery } from "../../api/queries";
import type { CookRow } from "../../api/types";
import { Empty, Trouble, Waiting } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { Coming } from "../../features/supper/Coming";
import { nextMoment } from "../../features/supper/next";
import { useComing } from "../../features/supper/useComing";
import { clock } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { SupperNext } from "./SupperNext";

/** A supper whose next thing is this near is followed, ms. */
const NEAR = 12 * 3_600_000;
/** Nearer than this it stands before a cook that is under way, ms. */
const URGENT = 20 * 60_000;

export function FryerPlace() {
  const running = useQuery(cooksQuery({ state: "running" }));
  const planned = useQuery(cooksQuery({ state: "planned" }));
  const suppers = useQuery(suppersQuery());
  const now = useNow(60_000);
  const coming = useComing(now);
  const within = (time: number) =>
    coming.find((one) => {
      const next = nextMoment(one.supper, one.plan, now);
      return next && new Date(next.at).getTime() < now + time;
    });
  const supper = within(NEAR);
  const failed = running.error ?? planned.error;
  if (failed) return <Trouble onRetry={() => void running.refetch()}>{failed.message}</Trouble>;
  // Nothing jumps away under a wet finger when the suppers come.
  if (!running.data || !planned.data || suppers.isPending)
    return <Waiting>Looking who is cooking…</Waiting>;
  if (running.data.total + planned.data.total === 0) {
    return supper ? (
      <Box maxW="reading" mx="auto" pt="3">
        <SupperNext kept={supper} />
        <Coming />
      </Box>
    ) : (
      <>
        <Empty title="Nothing is cooking">
          Here a cook is followed step by step, with its countdown and the thermometer.{" "}
          <PlaceLink to="/plan" textDecoration="underline" fontWeight="700">
            Say what goes in
          </PlaceLink>{" "}
          and start it.
        </Empty>
        <Coming />
      </>
    );
  }
  const first = running.data.total === 0 || within(URGENT) !== undefined;
  return (
    <Box maxW="reading" mx={supper ? "auto" : undefined} pt="3">
      {supper && first ? <SupperNext kept={supper} /> : null}
      <List title="Under way" rows={running.data.items} />
      {supper && !first ? <SupperNext kept={supper} /> : null}
      <List title="Ready to start" rows={planned.data.items} />
      <Coming />
    </Box>
  );
}

function List({ title, rows }: { title: string; rows: CookRow[] }) {
  if (rows.length === 0) return null;
  return (
    <Box as="section" mb="8">
      <Text as="h1" textStyle="title" mb="3">
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
