// When it is to be on the table.
import { ClockForm } from "../../components/ClockForm";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";

interface WhenWordProps {
  eat: string | null;
  onEat: (eat: string | null) => void;
}

export function WhenWord({ eat, onEat }: WhenWordProps) {
  return (
    <Word
      label="On the table"
      text={eat ? `at ${eat}` : "as soon as it is ready"}
      state={eat ? "told" : "guessed"}
    >
      {(close) => {
        const tell = (told: string | null) => {
          onEat(told);
          close();
        };
        return (
          <ClockForm label="Time on the clock" value={eat ?? ""} onTold={tell}>
            <Action type="button" look="plain" onClick={() => tell(null)}>
              As soon as it is ready
            </Action>
          </ClockForm>
        );
      }}
    </Word>
  );
}
