// What has to be done today for a table of another day: thaw, salt, marinate.
import { Box, Text } from "@chakra-ui/react";
import type { KeptSupper } from "../../api/types";
import { PlaceLink } from "../../components/PlaceLink";
import { isDone } from "../../features/supper/next";
import { clock, day } from "../../lib/clock";

interface TonightProps {
  suppers: KeptSupper[];
  now: number;
}

export function Tonight({ suppers, now }: TonightProps) {
  const midnight = new Date(now).setHours(24, 0, 0, 0);
  const todo = suppers
    .filter(({ plan }) => Date.parse(plan.serve_at) >= midnight)
    .flatMap((kept) =>
      kept.plan.agenda
        .filter((moment) => {
          const at = Date.parse(moment.at);
          return at >= now && at < midnight && !isDone(kept.supper, kept.plan, moment);
        })
        .map((moment) => ({ kept, moment })),
    )
    .sort((a, b) => Date.parse(a.moment.at) - Date.parse(b.moment.at));
  if (todo.length === 0) return null;
  return (
    <Box as="section" mb="8">
      <Text as="h2" textStyle="section" mb="2">
        Still today
      </Text>
      <Box as="ul" listStyleType="none">
        {todo.map(({ kept, moment }) => (
          <Text as="li" key={`${kept.id} ${moment.at} ${moment.task}`} textStyle="line" py="1">
            <b>{moment.what}</b>, {kept.plan.dishes[moment.dish]?.name}, at{" "}
            {clock(new Date(moment.at))}, for{" "}
            <PlaceLink
              to="/supper/$id"
              params={{ id: kept.id }}
              textDecoration="underline"
              textUnderlineOffset="3px"
            >
              {kept.supper.name}
            </PlaceLink>{" "}
            {day(new Date(kept.plan.serve_at), new Date(now))}
          </Text>
        ))}
      </Box>
    </Box>
  );
}
