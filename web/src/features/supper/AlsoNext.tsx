// While one cook is followed: what the supper wants next, small.
import { Text } from "@chakra-ui/react";
import { PlaceLink } from "../../components/PlaceLink";
import { clock, countdown } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { nextMoment } from "./next";
import { useComing } from "./useComing";

/** Told from so long before, ms. */
const NEAR = 90 * 60_000;

export function AlsoNext() {
  const now = useNow(1000);
  const next = useComing(now)
    .map((one) => ({ one, moment: nextMoment(one.supper, one.plan, now) }))
    .find(({ moment }) => moment && new Date(moment.at).getTime() < now + NEAR);
  if (!next?.moment) return null;
  const { one, moment } = next;
  const left = (new Date(moment.at).getTime() - now) / 1000;
  return (
    <Text textStyle="line" bg="well" borderRadius="field" px="3" py="2" mt="4">
      <PlaceLink to="/fryer" textDecoration="underline" textUnderlineOffset="3px">
        {one.supper.name}
      </PlaceLink>
      : {moment.what}, {left <= 0 ? "now" : `in ${countdown(left)}`} (at{" "}
      {clock(new Date(moment.at))})
    </Text>
  );
}
