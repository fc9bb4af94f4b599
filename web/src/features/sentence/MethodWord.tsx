// A question on which practitioners disagree: each method with its reason.
import { Choice } from "../../components/Choice";
import { Word } from "../../components/Word";

interface MethodWordProps<T extends string> {
  label: string;
  methods: { method: T; words: string; reason: string }[];
  chosen: T;
  onChoose: (method: T) => void;
}

export function MethodWord<T extends string>(props: MethodWordProps<T>) {
  const { label, methods, chosen, onChoose } = props;
  return (
    <Word label={label} text={methods.find((one) => one.method === chosen)?.words ?? chosen}>
      {(close) => (
        <Choice
          items={methods.map(({ method, words, reason }) => ({
            value: method,
            text: words,
            reason,
          }))}
          chosen={chosen}
          onChoose={(method) => {
            onChoose(method);
            close();
          }}
        />
      )}
    </Word>
  );
}
