// When it is to be on the table.
import { ClockForm } from "../../components/ClockForm";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { clock, nextAt } from "../../lib/clock";

interface WhenWordProps {
  eat: string | null;
  onEat: (eat: string | null) => void;
}

/** A time of the address as this device's language writes it. */
const shown = (eat: string) => {
  const at = nextAt(eat, new Date());
  return at ? clock(at) : eat;
};

export function WhenWord({ eat, onEat }: WhenWordProps) {
  return (
    <Word
      label="On the table"
      text={eat ? `at ${shown(eat)}` : "as soon as possible"}
      state={eat ? "told" : "guessed"}
    >
      {(close) => {
        const tell = (told: string | null) => {
          onEat(told);
          close();
        };
        return (
          <ClockForm label="Time on the clock" value={eat ? shown(eat) : ""} onTold={tell}>
            <Action type="button" look="plain" onClick={() => tell(null)}>
              As soon as possible
            </Action>
          </ClockForm>
        );
      }}
    </Word>
  );
}
