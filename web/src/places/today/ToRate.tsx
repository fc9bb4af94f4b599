// The last cook that was finished and says nothing yet about how it came out.
import { Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { cooksQuery } from "../../api/queries";
import { PlaceLink } from "../../components/PlaceLink";
import { day } from "../../lib/clock";

/** Nobody remembers for longer how it was, ms. */
const REMEMBERED = 3 * 86_400_000;

export function ToRate({ now }: { now: number }) {
  const finished = useQuery(cooksQuery({ state: "finished", per_page: 5 }));
  const last = finished.data?.items.find(
    (row) =>
      row.outcome == null &&
      row.started_at != null &&
      Date.parse(row.started_at) > now - REMEMBERED,
  );
  if (!last?.started_at) return null;
  return (
    <Text textStyle="line" mb="6">
      How did{" "}
      <PlaceLink
        to="/logbook/$id"
        params={{ id: last.id }}
        fontWeight="700"
        textDecoration="underline"
        textUnderlineOffset="3px"
      >
        {last.name}
      </PlaceLink>{" "}
      ({day(new Date(last.started_at), new Date(now))}) come out?
    </Text>
  );
}
