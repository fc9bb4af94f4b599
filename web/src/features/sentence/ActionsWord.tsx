// What else is planned to be done on the way: at a minute, at a share of the cook, before its end, or
// when it is golden. Several of each; each with what it is worth.

import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { readTime } from "../../api/reader";
import type { Plan, PlannedAction } from "../../api/types";
import { optionsOf, Pick } from "../../components/Pick";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import {
  actionWords,
  KINDS,
  type Kind,
  MOMENTS,
  type Moment,
  momentWords,
  planned,
  worthWords,
} from "../../domain/actions";
import { withActions } from "../../domain/pins";
import { capital } from "../../lib/text";
import * as show from "../../lib/units";
import type { WordProps } from "./words";

/** Greatest number of planned actions in one cook. */
const MOST = 20;

export function ActionsWord(props: WordProps & { plan: Plan | undefined }) {
  const { request, entry, units, wrong, onChange, plan } = props;
  const actions = request.actions ?? [];
  const text =
    actions.length === 0
      ? "nothing else planned"
      : actions.map((one) => `${actionWords(one, units)} ${momentWords(one)}`).join(", ");
  return (
    <Word
      label="Planned on the way"
      text={text}
      state={wrong?.startsWith("actions") ? "wrong" : "told"}
    >
      {() => (
        <Box>
          <Box as="ul" listStyleType="none">
            {actions.map((one, n) => (
              <Flex
                as="li"
                key={n}
                gap="2"
                align="center"
                justify="space-between"
                borderBottom="1px solid"
                borderColor="line"
                py="1"
              >
                <Text textStyle="small">
                  {capital(actionWords(one, units))} {momentWords(one)}
                  <Text as="span" color="ink.soft">
                    {worthWords(one, plan)}
                  </Text>
                </Text>
                <Action
                  type="button"
                  look="plain"
                  aria-label={`Remove: ${actionWords(one, units)} ${momentWords(one)}`}
                  onClick={() =>
                    onChange(
                      withActions(
                        request,
                        entry,
                        actions.filter((_, other) => other !== n),
                      ),
                    )
                  }
                >
                  Remove
                </Action>
              </Flex>
            ))}
          </Box>
          {actions.length < MOST ? (
            <NewAction
              {...props}
              onAdd={(added) => onChange(withActions(request, entry, [...actions, added]))}
            />
          ) : null}
        </Box>
      )}
    </Word>
  );
}

function NewAction({
  request,
  units,
  onAdd,
}: WordProps & { onAdd: (added: PlannedAction) => void }) {
  const [kind, setKind] = useState<Kind>("turn");
  const [moment, setMoment] = useState<Moment>("at");
  const [when, setWhen] = useState("10 min");
  const [amount, setAmount] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const asks = KINDS[kind].asks;
  const add = async () => {
    try {
      onAdd(await planned(kind, moment, when, amount || usual(asks), units, readTime));
      setWrong(null);
    } catch (error) {
      setWrong(error instanceof Error ? error.message : "That was not understood.");
    }
  };
  const usual = (asked: typeof asks) =>
    asked === "setting"
      ? show.setting(request.setting_c ?? request.machine.highest_c, units)
      : asked === "mass"
        ? show.mass(400, units)
        : asked === "time"
          ? "30 s"
          : "";
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Box display="grid" gap="2" mt="3">
        <Pick
          isFirst
          label="What to do"
          value={kind}
          options={optionsOf(KINDS, ({ words }) => capital(words))}
          onPick={(picked) => picked && setKind(picked)}
        />
        {asks ? (
          <Input
            aria-label={{ setting: "Setting", mass: "Weight", time: "How long" }[asks]}
            value={amount || usual(asks)}
            onChange={(event) => setAmount(event.target.value)}
          />
        ) : null}
        <Flex gap="2">
          <Pick
            label="When"
            value={moment}
            options={optionsOf(MOMENTS)}
            onPick={(picked) => picked && setMoment(picked)}
          />
          {moment === "golden" ? null : (
            <Input
              aria-label={moment === "share" ? "Share in per cent" : "Minutes"}
              aria-invalid={wrong !== null}
              value={when}
              onChange={(event) => setWhen(event.target.value)}
            />
          )}
        </Flex>
        {wrong ? (
          <Text role="alert" color="beet" textStyle="small">
            {wrong}
          </Text>
        ) : null}
        <Action type="submit" look="solid">
          Add
        </Action>
      </Box>
    </form>
  );
}
