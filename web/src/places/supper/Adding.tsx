// Another cook or side dish for a supper.
import { Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { learnedQuery, sidesQuery } from "../../api/queries";
import type { Catalogue, Machine, Supper } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Word } from "../../components/Word";
import { withKnown } from "../../domain/learned";
import { entryOf, ofKitchen, ofTable, usual } from "../../domain/request";
import { useSettings } from "../../domain/settings";
import { withCook, withSide } from "../../features/supper/document";

interface AddingProps {
  catalogue: Catalogue;
  machines: Machine[];
  supper: Supper;
  onChange: (supper: Supper) => void;
}

export function Adding({ catalogue, machines, supper, onChange }: AddingProps) {
  const machine = supper.dishes.find((dish) => dish.cook)?.cook?.request.machine ?? machines[0];
  const first = catalogue.cuts[0];
  const settings = useSettings();
  const learned = useQuery(learnedQuery());
  const own = useQuery(sidesQuery()).data?.items ?? [];
  if (!machine || !first) return null;
  return (
    <Text
      textStyle="line"
      color="ink.say"
      borderTop="1px solid"
      borderColor="line"
      py="2"
      className="no-print"
    >
      Add{" "}
      <Word label="Add a cook" text="a cook" state="guessed">
        {(close) => (
          <Choice<string>
            items={catalogue.cuts.map((cut) => ({ value: cut.cut, text: cut.plural }))}
            chosen=""
            onChoose={(cut) => {
              const request = {
                ...usual(first, machine, settings.region),
                cut: cut as typeof first.cut,
              };
              const entry = entryOf(catalogue, request);
              if (entry) {
                const cook = {
                  ...usual(entry, machine, settings.region),
                  ...ofTable(settings),
                  ...ofKitchen(settings),
                };
                onChange(withCook(supper, withKnown(cook, learned.data)));
              }
              close();
            }}
          />
        )}
      </Word>{" "}
      or{" "}
      <Word label="Add a side" text="a side dish" state="guessed">
        {(close) => (
          <Choice<string>
            items={[
              ...own.map(({ side }) => ({
                value: `own ${side.name}`,
                text: `${side.name} (your own)`,
              })),
              ...catalogue.sides.map(({ side, reason }) => ({
                value: side.name,
                text: side.name,
                reason,
              })),
            ]}
            chosen=""
            onChoose={(name) => {
              const mine = own.find(({ side }) => name === `own ${side.name}`);
              const known = mine ?? catalogue.sides.find(({ side }) => side.name === name);
              if (known) onChange(withSide(supper, known.side));
              close();
            }}
          />
        )}
      </Word>
      .
    </Text>
  );
}
