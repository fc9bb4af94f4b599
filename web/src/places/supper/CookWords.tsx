// A cook of a supper in words: what, how it is got ready, in which machine, until when. Everything
// else about it is changed in its plan.
import { useQuery } from "@tanstack/react-query";
import { Fragment } from "react";
import { countedQuery } from "../../api/queries";
import type { Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { PlaceLink } from "../../components/PlaceLink";
import { Word } from "../../components/Word";
import { isSauced } from "../../domain/actions";
import { compact } from "../../domain/address";
import { entryOf, inMachine } from "../../domain/request";
import { ownId, SAID } from "../../features/prep/method";
import { RecipeWord, recipeKinds } from "../../features/prep/RecipeWord";
import { useMethods } from "../../features/prep/useMethods";
import { TargetWord } from "../../features/sentence/TargetWord";
import { MassWord, PiecesWord } from "../../features/sentence/words";
import { IN_HAND } from "../../features/supper/document";
import { hours } from "../../lib/units";
import type { DishLineProps } from "./props";

type CookWordsProps = DishLineProps & { request: Request; method: string | null | undefined };

const NOTHING = "";

export function CookWords(props: CookWordsProps) {
  const { catalogue, machines, request, method, number, units, kept, onChange } = props;
  const entry = entryOf(catalogue, request);
  const { ahead, method: said } = request;
  const counted = useQuery(countedQuery(request)).data?.method;
  const { own, methods } = useMethods(request, counted?.id === SAID);
  if (!entry) return null;
  const change = (part: Partial<Request>) =>
    onChange({ cook: { request: { ...request, ...part }, method } });
  const chosen = said ? ownId(said) : (method ?? NOTHING);
  const shown = methods.find((known) => known.id === (chosen || counted?.id));
  const word = { request, entry, units, wrong: null, onChange: change };
  const ready = shown?.name ?? said?.name ?? counted?.name ?? "prepared as its plan says";
  const getReady = (id: string) => {
    const mine = own.find((known) => ownId(known) === id);
    onChange({
      cook: {
        request: { ...request, ahead: undefined, method: mine },
        method: mine ? undefined : id || undefined,
      },
    });
  };
  // The plan says what a method does, where only its name is said here.
  const chosenAhead =
    shown && !ahead?.length
      ? {
          surface: shown.surface,
          ahead: shown.tasks.flatMap((task) => task.ahead ?? []),
        }
      : {};
  return (
    <>
      <PiecesWord {...word} /> {request.pieces === 1 ? entry.name : entry.plural} of{" "}
      <MassWord {...word} />,{" "}
      <Word label="Getting ready" text={ready} state={chosen || ahead?.length ? "told" : "guessed"}>
        {(close) => (
          <Choice<string>
            items={[
              { value: NOTHING, text: "as its plan says" },
              ...methods.map((known) => ({
                value: known.id,
                text: known.own ? `${known.name} (your own)` : known.name,
                reason: `${hours(known.time_s)}. ${known.reason}`,
              })),
            ]}
            chosen={shown?.id ?? NOTHING}
            onChoose={(id) => {
              getReady(id);
              close();
            }}
          />
        )}
      </Word>
      {recipeKinds(shown?.seasonings ?? [], isSauced(request)).map((kind, n) => (
        <Fragment key={kind}>
          {n > 0 ? " and " : " with "}
          <RecipeWord
            kind={kind}
            recipes={request.recipes ?? []}
            onRecipes={(recipes) => change({ recipes })}
          />
        </Fragment>
      ))}
      , in{" "}
      <Word label="Machine" text={request.machine.name}>
        {(close) => (
          <Choice
            items={machines.map((machine) => ({ value: machine.name, text: machine.name }))}
            chosen={request.machine.name}
            onChoose={(name) => {
              const machine = machines.find((known) => known.name === name);
              if (machine) change(inMachine(request, machine));
              close();
            }}
          />
        )}
      </Word>
      , until <TargetWord {...word} catalogue={catalogue} plan={undefined} />.{" "}
      <PlaceLink
        to="/plan"
        state={{ request: { ...request, ...chosenAhead } }}
        search={{
          say: compact({ ...request, ...chosenAhead }),
          supper: kept ?? IN_HAND,
          dish: number,
        }}
        textStyle="small"
        textDecoration="underline"
        textUnderlineOffset="3px"
        whiteSpace="nowrap"
        className="no-print"
      >
        Edit cooking plan
      </PlaceLink>
    </>
  );
}
