// At the fryer, a supper across its dishes: one next thing, whatever it is.
import { Box, Text } from "@chakra-ui/react";
import type { KeptSupper } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { AlarmWords } from "../../features/alarm/AlarmWords";
import { NextThing } from "../../features/supper/NextThing";
import { openMoments } from "../../features/supper/next";
import { useTelling } from "../../features/supper/telling";
import { clock } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { SupperLine } from "./SupperLine";

const TICK = 1000;

export function SupperNext({ kept }: { kept: KeptSupper }) {
  const now = useNow(TICK);
  const telling = useTelling(kept);
  const { supper, error } = telling;
  const { plan } = kept;
  const [moment, then] = openMoments({ ...kept, supper }, now);
  if (!moment) return null;
  const serve = new Date(plan.serve_at);
  return (
    <Box as="section" pb="6">
      <SupperLine kept={kept} now={now} />
      <NextThing kept={kept} moment={moment} now={now} telling={telling} big>
        {error ? (
          <Box mt="3">
            <Trouble>
              {error.message}{" "}
              <Action type="button" look="inline" onClick={() => void telling.dismiss()}>
                Remove
              </Action>
            </Trouble>
          </Box>
        ) : null}
        <Text textStyle="line" color="ink.soft" mt="4">
          {then
            ? `Then, at ${clock(new Date(then.at))}: ${then.what} (${plan.dishes[then.dish]?.name})`
            : `Then the table, at ${clock(serve)}`}
        </Text>
        {telling.last ? (
          <Box textAlign="center" mt="3">
            <Action type="button" look="plain" textStyle="small" onClick={telling.undo}>
              Undo: {telling.last}
            </Action>
          </Box>
        ) : null}
      </NextThing>
      <AlarmWords />
    </Box>
  );
}
