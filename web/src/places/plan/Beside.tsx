// Something else in the same machine: together, a drawer each, or one after the other, and why.
import { Box, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { failed } from "../../api/client";
import { togetherQuery } from "../../api/queries";
import type { Catalogue, CutEntry, Request, Together } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Word } from "../../components/Word";
import { render } from "../../domain/message";
import { entryOf, usual } from "../../domain/request";
import { Floor, PieceShape } from "../../features/basket/Floor";
import { MassWord, PiecesWord } from "../../features/sentence/words";
import { capital, count } from "../../lib/text";
import type { Units } from "../../lib/units";
import { Both } from "./Both";

interface BesideProps {
  catalogue: Catalogue;
  request: Request;
  entry: CutEntry;
  units: Units;
  clockOf: (seconds: number) => string;
}

const HOW: Record<Together["how"], string> = {
  one_basket: "Together, side by side.",
  two_drawers: "At the same time, a drawer each.",
  some_of_each: "At the same time, some of each in both drawers.",
  one_after_the_other: "One after the other.",
};

const NOTHING = "nothing";

export function Beside({ catalogue, request, entry, units, clockOf }: BesideProps) {
  const [second, setSecond] = useState<Request | null>(null);
  const other = second && entryOf(catalogue, second);
  const word = { units, wrong: null };
  return (
    <Box mt="4">
      <Text textStyle="line" color="ink.say">
        Cooked alongside:{" "}
        {second && other ? (
          <>
            <PiecesWord
              {...word}
              request={second}
              entry={other}
              onChange={(change) => setSecond({ ...second, ...change })}
            />{" "}
          </>
        ) : null}
        <Word label="Cooked alongside" text={other ? other.plural : "nothing"}>
          {(close) => (
            <Choice<string>
              items={[
                { value: NOTHING, text: "nothing" },
                ...catalogue.cuts.map((cut) => ({ value: cut.cut, text: cut.plural })),
              ]}
              chosen={second?.cut ?? NOTHING}
              onChoose={(cut) => {
                const next = catalogue.cuts.find((known) => known.cut === cut);
                setSecond(next ? usual(next, request.machine, request.region) : null);
                close();
              }}
            />
          )}
        </Word>
        {second && other ? (
          <>
            {" of "}
            <MassWord
              {...word}
              request={second}
              entry={other}
              onChange={(change) => setSecond({ ...second, ...change })}
            />
          </>
        ) : null}
        .
      </Text>
      {second && other ? (
        <Answer
          first={request}
          second={{ ...second, machine: request.machine }}
          names={[entry.plural, other.plural]}
          units={units}
          clockOf={clockOf}
        />
      ) : null}
    </Box>
  );
}

interface AnswerProps {
  first: Request;
  second: Request;
  names: [string, string];
  units: Units;
  clockOf: (seconds: number) => string;
}

function Answer({ first, second, names, units, clockOf }: AnswerProps) {
  const answer = useQuery(togetherQuery(first, second));
  if (answer.error) {
    return (
      <Text role="alert" color="beet" fontWeight="600" textStyle="body" mt="1">
        {failed(answer.error, units)}
      </Text>
    );
  }
  const shared = answer.data;
  if (!shared) return null;
  return (
    <Box role="status" mt="1">
      <Way shared={shared} {...{ first, second, names, units, clockOf }} />
      <Both first={first} second={second} shared={shared} />
      {shared.or ? (
        <Box mt="4">
          <Text textStyle="small" color="ink.soft">
            Or
          </Text>
          <Way shared={shared.or} {...{ first, second, names, units, clockOf }} />
        </Box>
      ) : null}
    </Box>
  );
}

/** One way to share the machine: why, when, and where everything lies. */
function Way({ shared, first, names, units, clockOf }: AnswerProps & { shared: Together }) {
  return (
    <>
      <Text textStyle="body">
        <b>{HOW[shared.how]}</b> {capital(render(shared.reason, units))}.
      </Text>
      <Text textStyle="body">
        {names
          .map((name, n) => ({
            name,
            start: shared.starts_s[n] ?? 0,
            cook: shared.cooks_s[n] ?? 0,
          }))
          .sort((a, b) => a.start - b.start)
          .map(
            ({ name, start, cook }) =>
              `${capital(name)} in at ${clockOf(start)}, out at ${clockOf(start + cook)}. `,
          )}
      </Text>
      {shared.poses.length > 0 ? (
        <Floor
          machine={first.machine}
          role="img"
          label={`${count(shared.poses.length, "piece")} of both kinds side by side, seen from above`}
        >
          {shared.poses.map((pose, n) => {
            const shape = shared.shapes[n];
            return shape ? <PieceShape key={n} shape={shape} pose={pose} number={n + 1} /> : null;
          })}
        </Floor>
      ) : null}
    </>
  );
}
