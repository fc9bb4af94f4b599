// Practice: six exercises on a hidden piece in a hidden machine.
import { Box, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { exercisesQuery } from "../../api/queries";
import { Trouble, Waiting } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { useDraft } from "../../lib/draft";
import type { Units } from "../../lib/units";
import { begin, type Game, isGame, WORDS } from "./game";
import { PracticeCook } from "./PracticeCook";

export function Practice({ units }: { units: Units }) {
  const exercises = useQuery(exercisesQuery());
  const [game, setGame] = useDraft<Game | null>("bench practice", null, isGame);
  if (exercises.isError && !exercises.data) {
    return <Trouble onRetry={() => void exercises.refetch()}>{exercises.error.message}</Trouble>;
  }
  if (!exercises.data) return <Waiting>Loading…</Waiting>;
  const exercise = exercises.data.find((one) => one.exercise === game?.exercise);
  return (
    <Box as="section" aria-label="Practice" borderTop="1px solid" borderColor="line" py="4">
      {game && exercise ? (
        <PracticeCook
          key={`${game.exercise} ${game.seed}`}
          exercise={exercise}
          game={game}
          onGame={setGame}
          units={units}
        />
      ) : (
        <>
          <Text as="h2" textStyle="line" fontWeight="650">
            Practice
          </Text>
          <Text textStyle="small" color="ink.soft" maxW="reading">
            A hidden piece in a hidden machine, thirty times as fast as in the kitchen. You load,
            turn, check, take out and rest; then you see what it was inside, what each decision
            cost, and how the advice would have gone.
          </Text>
          <Box as="ol" mt="2">
            {exercises.data.map(({ exercise: name }) => (
              <Box
                as="li"
                key={name}
                py="3"
                borderTop="1px solid"
                borderColor="line"
                maxW="reading"
              >
                <Text as="h3" textStyle="body" fontWeight="650">
                  {WORDS[name].title}
                </Text>
                <Text textStyle="body">{WORDS[name].task}</Text>
                <Text textStyle="small" color="ink.soft">
                  Shows {WORDS[name].shows}.
                </Text>
                <Action
                  type="button"
                  mt="2"
                  aria-label={`Begin: ${WORDS[name].title}`}
                  onClick={() => setGame(begin(name))}
                >
                  Begin
                </Action>
              </Box>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
