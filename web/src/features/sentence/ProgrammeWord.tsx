// The dial over the cook: one setting throughout, hotter at first, or hotter at the end.
import { Box, Text } from "@chakra-ui/react";
import { reader, readTime } from "../../api/reader";
import type { Plan, Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { QuantityInput } from "../../components/QuantityInput";
import { Word } from "../../components/Word";
import * as show from "../../lib/units";
import type { WordProps } from "./words";

type Kind = "steady" | NonNullable<Request["programme"]>["kind"];

const SCHOOLS: { value: Kind; text: string; reason: string }[] = [
  { value: "steady", text: "all the time", reason: "Nothing to remember." },
  {
    value: "hot_start",
    text: "hotter at first",
    reason: "The outside is set and coloured, then the inside follows gently.",
  },
  {
    value: "hot_finish",
    text: "hotter at the end",
    reason: "Gentle until it is nearly done; the last minutes make it crisp.",
  },
];

/** How much hotter, K, and how long, s, until the cook says otherwise. */
const HOTTER = 40;
const USUAL_TIME = { hot_start: 20 * 60, hot_finish: 8 * 60 };

export function ProgrammeWord({
  request,
  units,
  wrong,
  onChange,
  plan,
}: WordProps & { plan: Plan | undefined }) {
  const { programme, machine } = request;
  const kind: Kind = programme?.kind ?? "steady";
  const base = request.setting_c ?? plan?.setting_c ?? 180;
  const text = programme
    ? `${programme.kind === "hot_start" ? "after" : "and"} ${show.minutes(programme.stage_s)} at ${show.setting(programme.stage_setting_c, units)}${programme.kind === "hot_start" ? "" : " at the end"}`
    : "all the time";
  const change = (part: Partial<NonNullable<Request["programme"]>>) => {
    if (programme) onChange({ programme: { ...programme, ...part } });
  };
  return (
    <Word
      label="Programme"
      text={text}
      state={wrong?.startsWith("programme") || wrong?.startsWith("stage") ? "wrong" : "told"}
    >
      {(close) => (
        <>
          <Choice
            items={SCHOOLS}
            chosen={kind}
            onChoose={(next) => {
              if (next === "steady") {
                onChange({ programme: undefined });
                close();
              } else if (next !== kind) {
                onChange({
                  programme: {
                    kind: next,
                    stage_setting_c: Math.min(machine.highest_c, base + HOTTER),
                    stage_s: USUAL_TIME[next],
                  },
                });
              }
            }}
          />
          {programme ? (
            <Box mt="3" display="grid" gap="3">
              <Text textStyle="small">How hot</Text>
              <QuantityInput
                label="Other setting"
                value={programme.stage_setting_c}
                show={(c) => show.setting(c, units)}
                understand={reader("setting_c", units)}
                range={[machine.lowest_c, machine.highest_c]}
                step={units.temperature === "celsius" ? 5 : 5 / 1.8}
                onChange={(stage_setting_c) => change({ stage_setting_c })}
                onDone={close}
              />
              <Text textStyle="small">How long</Text>
              <QuantityInput
                label="Minutes at it"
                value={programme.stage_s}
                show={(seconds) => show.minutes(seconds)}
                understand={readTime}
                range={[60, 45 * 60]}
                step={60}
                onChange={(stage_s) => change({ stage_s })}
                onDone={close}
              />
            </Box>
          ) : null}
        </>
      )}
    </Word>
  );
}
