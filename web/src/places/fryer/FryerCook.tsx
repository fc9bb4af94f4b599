// Cook now, one cook large: what to do now, its countdown; all else that is going on small.

import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { ApiFailure } from "../../api/client";
import { cookQuery } from "../../api/queries";
import { Trouble, Waiting } from "../../components/Notice";
import { useNow } from "../../lib/hooks";
import { usePageTitle } from "../../lib/title";
import { useAffairs } from "./affairs";
import { Closed } from "./Closed";
import { NotStarted } from "./NotStarted";
import { Others } from "./Others";
import { SIDEWAYS } from "./sideways";
import { UnderWay } from "./UnderWay";

/** The page asks again this often, so that two devices agree, ms. */
const AGAIN = 15_000;
const TICK = 1000;

export function FryerCook() {
  usePageTitle("Cook now");
  const { id } = useParams({ from: "/fryer/$id" });
  const cook = useQuery({ ...cookQuery(id), refetchInterval: AGAIN });
  const now = useNow(TICK);
  const others = useAffairs(now).filter((affair) => affair.key !== id);
  if (!cook.data) {
    if (cook.isPending) return <Waiting>Loading…</Waiting>;
    const gone = cook.error instanceof ApiFailure && cook.error.problem?.status === 404;
    return (
      <Trouble onRetry={gone ? undefined : () => void cook.refetch()}>
        {gone ? "This cook is not here any more; it may have been deleted." : cook.error?.message}
      </Trouble>
    );
  }
  // One above at most, so that the button under the thumb stays there.
  const due = others.filter((affair) => affair.at <= now).slice(0, 1);
  const later = others.filter((affair) => !due.includes(affair));
  return (
    <Box maxW="reading" mx="auto" css={SIDEWAYS}>
      <Others affairs={due} now={now} />
      {cook.data.state === "planned" ? (
        <NotStarted cook={cook.data} received={cook.dataUpdatedAt} />
      ) : null}
      {cook.data.state === "running" ? (
        <UnderWay key={id} cook={cook.data} received={cook.dataUpdatedAt} />
      ) : null}
      {cook.data.state === "finished" ? <Closed cook={cook.data} /> : null}
      <Others affairs={later} now={now} />
    </Box>
  );
}
