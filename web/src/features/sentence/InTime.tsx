// Too late by the clock: asks which setting would still make it, and says it when none does.
import { Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { ApiFailure } from "../../api/client";
import { settingFor } from "../../api/queries";
import type { Request } from "../../api/types";
import { Action } from "../../components/recipes";
import { refusal } from "../../domain/message";
import { minutes, setting, type Units } from "../../lib/units";

interface InTimeProps {
  request: Request;
  /** Seconds that are left for the machine. */
  left: number;
  units: Units;
  onChange: (change: Partial<Request>) => void;
}

/** Shortest time, s. */
const LEAST = 120;

export function InTime({ request, left, units, onChange }: InTimeProps) {
  const ask = useMutation({
    mutationFn: () => settingFor(request, left),
    onSuccess: (found) => onChange({ setting_c: found.setting_c }),
  });
  if (left < LEAST) return null;
  const failed = ask.error instanceof ApiFailure ? ask.error.problem : null;
  return (
    <Text as="span" display="block" textStyle="small" mt="1">
      <Action type="button" look="plain" disabled={ask.isPending} onClick={() => ask.mutate()}>
        Find a setting that is fast enough
      </Action>
      <Text as="span" role="status">
        {ask.data
          ? `At ${setting(ask.data.setting_c, units)} it is out in ${minutes(ask.data.pull_at_s)}.`
          : ""}
        {failed?.code === "too_soon"
          ? `No: even the hottest setting needs longer than the ${minutes(left)} that are left. Eat later or take thinner pieces.`
          : failed && refusal(failed, units)}
      </Text>
    </Text>
  );
}
