// A supper to take along: cards on paper, text, a file, and what else its page offers.
import { Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Supper, SupperPlan } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { markdown } from "../../features/supper/document";
import { printOn } from "../../lib/print";
import { saveFile } from "../../lib/save";
import type { Units } from "../../lib/units";

interface TakeProps {
  supper: Supper;
  plan: SupperPlan;
  units: Units;
  children: ReactNode;
}

const PAPERS = [
  { value: "A4", text: "on A4" },
  { value: "letter", text: "on Letter" },
] as const;

export function Take({ supper, plan, units, children }: TakeProps) {
  return (
    <Flex gap="2.5" wrap="wrap" align="center" mt="2" className="no-print">
      {children}
      <Word label="Print cards" text="Print cards">
        {(close) => (
          <Choice
            items={[...PAPERS]}
            chosen="A4"
            onChoose={(paper) => {
              close();
              printOn(paper);
            }}
          />
        )}
      </Word>
      <Action
        type="button"
        look="plain"
        onClick={() =>
          saveFile(markdown(supper, plan, new Date(), units), "text/markdown", "supper.md")
        }
      >
        As text
      </Action>
      <Action
        type="button"
        look="plain"
        onClick={() => saveFile(JSON.stringify(supper, null, 2), "application/json", "supper.json")}
      >
        As a file
      </Action>
    </Flex>
  );
}
