// In which order batches go in, and how many pieces in each: as they fit, or as the cook says.
import { Box, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Plan, Request } from "../../api/types";
import { Choice } from "../../components/Choice";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";

interface BatchesWordProps {
  plan: Plan;
  request: Request;
  onChange: (change: Partial<Request>) => void;
}

const ORDERS = [
  {
    value: "heaviest_first" as const,
    text: "thick pieces first",
    reason: "They hold their heat best while the others cook.",
  },
  {
    value: "lightest_first" as const,
    text: "thin pieces first",
    reason: "They are quick, and can be eaten while the others cook.",
  },
];

export function BatchesWord({ plan, request, onChange }: BatchesWordProps) {
  const [first, setFirst] = useState(plan.batches[0]?.pieces ?? 1);
  const pieces = plan.batches.map((batch) => batch.pieces);
  const own = (request.split ?? []).length > 0;
  return (
    <Text textStyle="body" mt="2">
      Batches:{" "}
      <Word label="Batches" text={pieces.join(", then ")} state={own ? "told" : "guessed"}>
        {(close) => (
          <Box>
            {request.weights_g?.length ? (
              <Choice
                items={ORDERS}
                chosen={request.batch_order ?? "heaviest_first"}
                onChoose={(batch_order) => {
                  onChange({ batch_order });
                  close();
                }}
              />
            ) : null}
            <Text textStyle="small" mt="3" mb="1">
              Pieces in the first batch, the others in the second, squeezed if they must
            </Text>
            <QuantityInput
              label="Pieces in the first batch"
              value={first}
              show={(value) => String(Math.round(value))}
              understand={async (text) => {
                const count = Number(text);
                if (Number.isInteger(count) && count >= 1 && count < request.pieces) return count;
                throw new Error(`Write a whole number from 1 to ${request.pieces - 1}.`);
              }}
              range={[1, Math.max(1, request.pieces - 1)]}
              step={1}
              onChange={(value) => {
                const count = Math.round(value);
                setFirst(count);
                onChange({ split: [count, request.pieces - count] });
              }}
              onDone={close}
            >
              {own ? (
                <Action
                  type="button"
                  look="plain"
                  onClick={() => {
                    onChange({ split: undefined });
                    close();
                  }}
                >
                  As they fit
                </Action>
              ) : null}
            </QuantityInput>
          </Box>
        )}
      </Word>
      .
    </Text>
  );
}
