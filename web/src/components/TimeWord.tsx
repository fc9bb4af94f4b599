// A length of time as a word that opens: minutes, or hours where there are many.
import { hours } from "../lib/units";
import { QuantityInput } from "./QuantityInput";
import { Word } from "./Word";

interface TimeWordProps {
  /** Of the word; the field in it is called the same, or `field`. */
  label: string;
  field?: string;
  seconds: number;
  /** At least and at most, s. */
  range: [number, number];
  hint?: string;
  /** Reads what is typed, s. */
  read: (text: string) => Promise<number>;
  onChange: (seconds: number) => void;
}

const DAY = 24 * 3600;
/** The slider reaches so far beyond what is said, where more may be typed. */
const BEYOND = 2;

export function TimeWord(props: TimeWordProps) {
  const { label, field = label, seconds, range, hint, read, onChange } = props;
  const [least, most] = range;
  const step = seconds > 4 * 3600 ? 1800 : seconds > 3600 ? 600 : 60;
  return (
    <Word label={label} text={hours(seconds)} hint={hint}>
      {(close) => (
        <QuantityInput
          label={field}
          value={seconds}
          show={hours}
          understand={async (text) => {
            const told = await read(text);
            if (told >= least && told <= most) return told;
            throw new Error(
              told > DAY && most === DAY
                ? `${text} is longer than a day; make it the day before.`
                : `Write ${hours(least)} to ${hours(most)}.`,
            );
          }}
          range={[least, Math.min(most, Math.max(3600, seconds * BEYOND))]}
          step={step}
          onChange={onChange}
          onDone={close}
        />
      )}
    </Word>
  );
}
