// Getting the meat ready: the methods and the cook's own methods beside one another in minutes and bite,
// the chosen one with its tasks and what to weigh out.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type {
  Catalogue,
  CountedMethod,
  CutEntry,
  KeptMethod,
  Method,
  OwnMethod,
  Request,
} from "../../api/types";
import { Action } from "../../components/recipes";
import { isSauced } from "../../domain/actions";
import { isMethod } from "../../domain/schemas";
import { useDraft } from "../../lib/draft";
import { capital } from "../../lib/text";
import { minutes, type Units } from "../../lib/units";
import { Bare } from "./Bare";
import { Besides } from "./Besides";
import { MethodEditor } from "./MethodEditor";
import { Methods } from "./Methods";
import { type Changed, copied, methodAhead, ownAhead, ownId, SAID } from "./method";
import { Quantities } from "./Quantities";
import { Tasks } from "./Tasks";
import { useMethods } from "./useMethods";

interface PrepProps {
  request: Request;
  catalogue: Catalogue;
  entry: CutEntry;
  /** The method the sentence counts with. */
  counted: CountedMethod | undefined;
  units: Units;
  onChange: (change: Partial<Request>) => void;
}

/** The method that is being written, and the card of the kitchen that it changes. */
interface Writing {
  known?: KeptMethod | null;
  method: OwnMethod;
}

const isWriting = (value: unknown): value is Writing | null =>
  typeof value === "object" && value !== null && "method" in value && isMethod(value.method);

export function Prep({ request, catalogue, entry, counted, units, onChange }: PrepProps) {
  const [open, setOpen] = useState<string | null>(null);
  const [changed, setChanged] = useState<Changed>({});
  const { kept, own, prep, methods } = useMethods(request, counted?.id === SAID);
  const [writing, setWriting] = useDraft(`method ${request.cut}`, null, isWriting);
  const chosen = methods.find((method) => method.id === counted?.id);
  const shown = methods.find((method) => method.id === open) ?? chosen ?? methods[1] ?? methods[0];
  if (!prep || !shown) return null;
  const docOf = (method: Method) =>
    method.own ? own.find((known) => known.name === method.name) : undefined;
  const take = (method: Method, change: Changed) =>
    onChange({
      ahead: methodAhead(method, change),
      surface: method.surface,
      method: docOf(method),
    });
  const card = kept.find(
    ({ method }) => shown.own && method.name === shown.name && method.cut === request.cut,
  );
  return (
    <Box>
      <Methods
        methods={methods}
        shown={shown.id}
        chosen={chosen?.id}
        units={units}
        onShow={setOpen}
      />
      <Bare bare={prep.bare} units={units} />
      {writing ? (
        <Box mt="4">
          <MethodEditor
            method={writing.method}
            known={kept.find((one) => one.id === writing.known?.id) ?? null}
            catalogue={catalogue}
            entry={entry}
            onChange={(method) => setWriting({ ...writing, method })}
            onDone={(done) => {
              setWriting(null);
              if (done) setOpen(ownId(done));
              // What the sentence counts with is as it is written now.
              if (done && writing.known && request.method?.name === writing.method.name) {
                onChange({ method: done, surface: done.surface, ahead: ownAhead(done) });
              }
            }}
          />
        </Box>
      ) : (
        <Box mt="4">
          <Text textStyle="line" fontWeight="650">
            {capital(shown.name)}
          </Text>
          <Text textStyle="small" color="ink.soft">
            {shown.reason} Hands-on time: {minutes(shown.hands_on_s)}.
          </Text>
          {shown.refused ? (
            <Text textStyle="small" mt="1">
              Not possible: {shown.refused}.
            </Text>
          ) : null}
          <Tasks
            method={shown}
            changed={changed}
            onChange={(task, seconds) => {
              const next = { ...changed, [`${shown.id} ${task}`]: seconds };
              setChanged(next);
              if (chosen?.id === shown.id) take(shown, next);
            }}
          />
          <Besides method={shown} counted={counted} />
          <Flex gap="3" mt="2" wrap="wrap" align="baseline" className="no-print">
            {chosen?.id === shown.id ? (
              <Text textStyle="small">
                Used in this plan.{" "}
                <Action
                  type="button"
                  look="inline"
                  onClick={() => onChange({ ahead: undefined, method: undefined })}
                >
                  Remove
                </Action>
              </Text>
            ) : shown.refused ? null : (
              <Action
                type="button"
                // A method that was just saved is not compared yet: another one is shown meanwhile.
                disabled={open !== null && open !== shown.id}
                onClick={() => take(shown, changed)}
              >
                Use this method
              </Action>
            )}
            <Action
              type="button"
              look="plain"
              onClick={() =>
                setWriting({ known: card, method: copied(shown, request.cut, changed) })
              }
            >
              {card ? "Change it" : "Copy and edit"}
            </Action>
          </Flex>
          <Quantities
            method={shown}
            prep={prep}
            recipes={request.recipes ?? []}
            sauced={isSauced(request)}
            units={units}
            onRecipes={(recipes) => onChange({ recipes })}
          />
        </Box>
      )}
    </Box>
  );
}
