// When it is to be on the table.
import { ClockForm } from "../../components/ClockForm";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { clockText } from "../../lib/clock";

interface WhenWordProps {
  eat: string | null;
  onEat: (eat: string | null) => void;
}

export function WhenWord({ eat, onEat }: WhenWordProps) {
  return (
    <Word
      label="On the table"
      text={eat ? `at ${clockText(eat)}` : "as soon as possible"}
      state={eat ? "told" : "guessed"}
    >
      {(close) => {
        const tell = (told: string | null) => {
          onEat(told);
          close();
        };
        return (
          <ClockForm label="Time on the clock" value={eat ? clockText(eat) : ""} onTold={tell}>
            <Action type="button" look="plain" onClick={() => tell(null)}>
              As soon as possible
            </Action>
          </ClockForm>
        );
      }}
    </Word>
  );
}
