// One measure of a machine: a word that opens to be typed, stepped or slid.
import { reader } from "../../api/reader";
import type { TypedField } from "../../api/types";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import type { Units } from "../../lib/units";

interface MeasureProps {
  label: string;
  typed: TypedField;
  value: number | null | undefined;
  show: (value: number, units: Units) => string;
  range: [number, number];
  step: number;
  units: Units;
  wrong?: boolean;
  onChange: (value: number | undefined) => void;
  /** A measure that can be missing: the word for that, what it begins from, how to be rid of it. */
  without?: { text: string; usual: number; undo: string };
}

export function Measure(props: MeasureProps) {
  const { label, typed, value, show, range, step, units, wrong, onChange, without } = props;
  const missing = value == null;
  return (
    <Word
      label={label}
      text={missing ? (without?.text ?? "") : show(value, units)}
      state={wrong ? "wrong" : missing ? "guessed" : "told"}
    >
      {(close) => (
        <QuantityInput
          label={label}
          value={value ?? without?.usual ?? range[0]}
          show={(shown) => show(shown, units)}
          understand={reader(typed, units)}
          range={range}
          step={step}
          onChange={onChange}
          onDone={close}
        >
          {without && !missing ? (
            <Action
              type="button"
              look="plain"
              onClick={() => {
                onChange(undefined);
                close();
              }}
            >
              {without.undo}
            </Action>
          ) : null}
        </QuantityInput>
      )}
    </Word>
  );
}
