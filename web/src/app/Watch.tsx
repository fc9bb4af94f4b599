// Wherever one is in the application: alarms of all that is going on, and what waits is sent.
import { Flex, Text } from "@chakra-ui/react";
import { useRouterState } from "@tanstack/react-router";
import { useEffect } from "react";
import { PlaceLink } from "../components/PlaceLink";
import { useSettings } from "../domain/settings";
import { useAlarms, useWakeLock } from "../features/alarm/useAlarms";
import { cookReports } from "../features/course/reports";
import { NewVersion } from "../features/offline/NewVersion";
import { supperReports } from "../features/supper/telling";
import { clock, countdown } from "../lib/clock";
import { useNow, useOnline } from "../lib/hooks";
import { useUrgentTitle } from "../lib/title";
import { useAffairs, useLost } from "../places/fryer/affairs";
import { useChanges } from "./useChanges";

const TICK = 1000;
/** How often waiting reports are tried again, ms. */
const AGAIN = 3_000;
/** The screen stays on from this time before a supper's next step, ms. */
const AWAKE = 30 * 60_000;
/** The title counts down from this time before, ms; until then it names the page. */
const COUNTS = 30 * 60_000;

export default function Watch() {
  const now = useNow(TICK);
  const { prealert_min } = useSettings();
  const affairs = useAffairs(now);
  useAlarms(affairs);
  useWakeLock(affairs.some((one) => one.of.kind === "cook" || one.at < now + AWAKE));
  useSending();
  useChanges();
  const next = affairs[0];
  const left = next ? (next.at - now) / 1000 : Number.POSITIVE_INFINITY;
  useUrgentTitle(
    next && left < COUNTS / 1000 ? `${left <= 0 ? "now" : countdown(left)} · ${next.what}` : null,
  );
  const cooking = useRouterState({ select: (state) => state.location.pathname });
  const lost = useLost();
  // Without a connection the frame says so.
  const online = useOnline();
  const version = (
    <>
      {lost === null || !online ? null : (
        <Text role="status" bg="well" px={{ base: "5", md: "9" }} py="2" textStyle="small">
          Can't reach the server
          {lost > 0 ? `; what you see is from ${clock(new Date(lost))}` : ""}. Updates are sent when
          the server answers.
        </Text>
      )}
      <NewVersion cooking={affairs.length > 0} />
    </>
  );
  if (!next || cooking.startsWith("/fryer") || left > Math.max(1, prealert_min) * 60) {
    return version;
  }
  return (
    <>
      {version}
      <Flex
        role="status"
        bg={left <= 0 ? "zest" : "well"}
        color={left <= 0 ? "zest.ink" : "ink"}
        px={{ base: "5", md: "9" }}
        py="2.5"
        gap="4"
        align="baseline"
        justify="space-between"
        textStyle="line"
        className="no-print"
      >
        <Text>
          <b>{next.what}</b>, {left <= 0 ? "now" : `in ${countdown(left)}`} ({next.name})
        </Text>
        <PlaceLink
          to="/fryer"
          textDecoration="underline"
          textUnderlineOffset="3px"
          whiteSpace="nowrap"
        >
          Cook now
        </PlaceLink>
      </Flex>
    </>
  );
}

/** What waits is sent from any page. */
function useSending() {
  useEffect(() => {
    const send = () => {
      void cookReports.flush();
      void supperReports.flush();
    };
    send();
    const timer = setInterval(send, AGAIN);
    window.addEventListener("online", send);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", send);
    };
  }, []);
}
