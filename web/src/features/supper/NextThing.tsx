// Across all dishes of a supper: one thing to do, and how long until it.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { KeptSupper } from "../../api/types";
import { Caution, NotSent } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { render } from "../../domain/message";
import { useSettings } from "../../domain/settings";
import { clock, countdown, day } from "../../lib/clock";
import { capital } from "../../lib/text";
import { setting, type Units, wholeMinutes } from "../../lib/units";
import type { Moment } from "./Agenda";
import { tellable } from "./next";
import type { useTelling } from "./telling";

interface NextThingProps {
  kept: KeptSupper;
  moment: Moment;
  now: number;
  telling: ReturnType<typeof useTelling>;
  /** One big instruction, for wet hands. */
  big?: boolean;
  children?: ReactNode;
}

/** Farther away than this there is a day instead of a countdown, s. */
const SOON = 12 * 3600;

export function NextThing({ kept, moment, now, telling, big, children }: NextThingProps) {
  const units = useSettings();
  const at = new Date(moment.at);
  const left = (at.getTime() - now) / 1000;
  const dialled = asDialled(kept, moment, units);
  const { under, once } = tellable(telling.supper, kept.plan, moment);
  return (
    <Box pt={big ? "0" : "3"} pb="4" className="no-print">
      <Box aria-live="polite">
        <Text as={big ? "h1" : "p"} textStyle={big ? "instruction" : "title"}>
          {moment.what}
        </Text>
        <Text textStyle="line" color="ink.say" mt={big ? "2" : "0"}>
          {kept.plan.dishes[moment.dish]?.name}, at {clock(at)}
        </Text>
      </Box>
      <Text
        textStyle={big ? (left < SOON ? "count" : "title") : "line"}
        color={left <= 0 ? "ember" : "ink"}
        role="timer"
        aria-live="off"
        mt={big ? "3" : "0"}
      >
        {left <= 0
          ? "now"
          : left < SOON
            ? `${big ? "" : "in "}${countdown(left)}`
            : day(at, new Date(now))}
      </Text>
      {big && dialled ? (
        <Text textStyle="title" mt="2">
          {dialled}
        </Text>
      ) : null}
      {big
        ? moment.notes.map((note) => (
            <Text key={note.text} textStyle="line" color="ink.say" mt="1">
              {capital(render(note, units))}
            </Text>
          ))
        : null}
      {moment.caution ? (
        <Box mt="2">
          <Caution>{moment.caution}</Caution>
        </Box>
      ) : null}
      {big ? (
        <Flex gap="2.5" mt="5" wrap="wrap">
          <Action
            type="button"
            look="zest"
            big
            disabled={telling.busy}
            onClick={() => telling.tell(moment, once ? "done" : "begun")}
          >
            {once ? "Done" : "Started"}
          </Action>
          {once ? null : (
            <Action
              type="button"
              flex="1"
              disabled={telling.busy}
              onClick={() => telling.tell(moment, "done")}
            >
              Done already
            </Action>
          )}
          <Action
            type="button"
            flex="1"
            disabled={telling.busy}
            onClick={() => telling.tell(moment, "later")}
          >
            {under ? "5 min more" : "5 min later"}
          </Action>
        </Flex>
      ) : null}
      <NotSent count={telling.unsent} />
      {children}
    </Box>
  );
}

/** At the load of a cook, as it is dialled: "Set 390 °F, 26 min". */
function asDialled({ plan }: KeptSupper, moment: Moment, units: Units): string | null {
  const dish = plan.dishes[moment.dish];
  if (moment.moment > 1 || !dish?.load_at || dish.setting_c == null || dish.timer_s == null) {
    return null;
  }
  const load = Date.parse(dish.load_at);
  if (load < Date.parse(moment.at) || load > Date.parse(moment.end_at)) return null;
  const time = wholeMinutes(Math.max(60, dish.timer_s));
  return `Set ${setting(dish.setting_c, units)}, ${time}`;
}
