// The finish after the rest: none, a hot pan, the hot machine again, two forks.
import { Box, Text } from "@chakra-ui/react";
import { reader, readTime } from "../../api/reader";
import type { Plan, Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { QuantityInput } from "../../components/QuantityInput";
import { Word } from "../../components/Word";
import * as show from "../../lib/units";
import type { WordProps } from "./words";

type Finish = NonNullable<Request["finish"]>;
type Kind = "none" | Finish["kind"];

const WAYS: { value: Kind; text: string; reason: string }[] = [
  { value: "none", text: "served as it is", reason: "Rested, and on the table." },
  {
    value: "pan",
    text: "seared in a pan",
    reason: "The machine brings the inside there gently, a hot pan colours the outside.",
  },
  {
    value: "crisp",
    text: "crisped again",
    reason: "Steam softens a crust in the rest; some minutes in the hot machine bring it back.",
  },
  {
    value: "shred",
    text: "shredded",
    reason: "Pulled apart with two forks, its juice stirred in.",
  },
];

const USUAL_S = { pan: 60, crisp: 300, shred: 480 };
/** How hot the machine is for it, °C, as far as it goes. */
const CRISP = 210;

export function FinishWord({
  request,
  units,
  wrong,
  onChange,
}: WordProps & { plan: Plan | undefined }) {
  const { finish, machine } = request;
  const kind: Kind = finish?.kind ?? "none";
  const change = (part: Partial<Finish>) => {
    if (finish) onChange({ finish: { ...finish, ...part } });
  };
  return (
    <Word
      label="After the rest"
      text={finishWords(finish, units)}
      state={wrong?.startsWith("finish") ? "wrong" : "told"}
    >
      {(close) => (
        <>
          <Choice
            items={WAYS}
            chosen={kind}
            onChoose={(next) => {
              if (next === "none") {
                onChange({ finish: undefined });
                close();
              } else if (next !== kind) {
                const setting_c = next === "crisp" ? Math.min(CRISP, machine.highest_c) : undefined;
                onChange({ finish: { kind: next, finish_s: USUAL_S[next], setting_c } });
              }
            }}
          />
          {finish ? (
            <Box mt="3" display="grid" gap="3">
              {finish.setting_c == null ? null : (
                <>
                  <Text textStyle="small">How hot</Text>
                  <QuantityInput
                    label="Setting for it"
                    value={finish.setting_c}
                    show={(c) => show.setting(c, units)}
                    understand={reader("setting_c", units)}
                    range={[machine.lowest_c, machine.highest_c]}
                    step={units.temperature === "celsius" ? 5 : 5 / 1.8}
                    onChange={(setting_c) => change({ setting_c })}
                    onDone={close}
                  />
                </>
              )}
              <Text textStyle="small">
                {finish.kind === "pan" ? "How long a side" : "How long"}
              </Text>
              <QuantityInput
                label="Time for it"
                value={finish.finish_s}
                show={(seconds) => show.minutes(seconds)}
                understand={readTime}
                range={[30, 20 * 60]}
                step={30}
                onChange={(finish_s) => change({ finish_s })}
                onDone={close}
              />
            </Box>
          ) : null}
        </>
      )}
    </Word>
  );
}

function finishWords(finish: Request["finish"], units: show.Units): string {
  switch (finish?.kind) {
    case "pan":
      return `then seared in a pan, ${show.minutes(finish.finish_s)} a side`;
    case "crisp":
      return `then crisped again at ${show.setting(finish.setting_c ?? CRISP, units)} for ${show.minutes(finish.finish_s)}`;
    case "shred":
      return "then shredded";
    default:
      return "served as it is";
  }
}
