// Another cook or side dish for a supper.
import { Text } from "@chakra-ui/react";
import type { Catalogue, Machine, Supper } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Word } from "../../components/Word";
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
                onChange(withCook(supper, cook));
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
            items={catalogue.sides.map(({ side, reason }) => ({
              value: side.name,
              text: side.name,
              reason,
            }))}
            chosen=""
            onChoose={(name) => {
              const known = catalogue.sides.find(({ side }) => side.name === name);
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
