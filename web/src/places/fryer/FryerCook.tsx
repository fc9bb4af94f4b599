// At the fryer: one big instruction, its countdown, the next one small.
import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { ApiFailure } from "../../api/client";
import { cookQuery } from "../../api/queries";
import { Trouble, Waiting } from "../../components/Notice";
import { AlsoNext } from "../../features/supper/AlsoNext";
import { Closed } from "./Closed";
import { NotStarted } from "./NotStarted";
import { UnderWay } from "./UnderWay";

/** The page asks again this often, so that two devices agree, ms. */
const AGAIN = 15_000;

export function FryerCook() {
  const { id } = useParams({ from: "/fryer/$id" });
  const cook = useQuery({ ...cookQuery(id), refetchInterval: AGAIN });
  if (!cook.data) {
    if (cook.isPending) return <Waiting>Fetching the cook…</Waiting>;
    const gone = cook.error instanceof ApiFailure && cook.error.problem?.status === 404;
    return (
      <Trouble onRetry={gone ? undefined : () => void cook.refetch()}>
        {gone ? "This cook is not here any more; it may have been deleted." : cook.error?.message}
      </Trouble>
    );
  }
  const lost = cook.isError && cook.error instanceof ApiFailure && cook.error.isPassing;
  return (
    <Box maxW="reading" mx="auto">
      {lost ? (
        <Box role="status" bg="well" borderRadius="field" px="3" py="2" mb="2" textStyle="small">
          The server does not answer. The countdown goes on; what you report is sent later.
        </Box>
      ) : null}
      {cook.data.state === "planned" ? <NotStarted cook={cook.data} /> : null}
      {cook.data.state === "running" ? (
        <UnderWay cook={cook.data} received={cook.dataUpdatedAt} />
      ) : null}
      {cook.data.state === "finished" ? null : <AlsoNext />}
      {cook.data.state === "finished" ? <Closed cook={cook.data} /> : null}
    </Box>
  );
}
